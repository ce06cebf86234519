import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { length } from '../job/format';
import { tell } from '../job/tell';
import { Button } from '../ui/Button';

/** How stock springs back, as the bench has learned it: by bender, stock and die; forgotten where it holds no more. */
export function SpringbackTable() {
  const client = useQueryClient();
  const { data, error } = useQuery({ queryKey: ['springback'], queryFn: api.springback });
  if (error !== null) {
    return <p className="text-danger">{error.message}</p>;
  }
  if (data === undefined) {
    return <p className="quiet">Looking for what is known of springback…</p>;
  }
  const forget = async (bender: string, stock: string) => {
    await api.forgetSpringback(bender, stock);
    await client.invalidateQueries({ queryKey: ['springback'] });
    await client.invalidateQueries({ queryKey: ['bench'] });
  };
  return (
    <section aria-labelledby="springs-title">
      <h3 id="springs-title" className="h6 mt-3">
        How it springs back
      </h3>
      {data.known.length === 0 ? (
        <p className="quiet">Nothing is known yet. Each part that is bent on the bench and measured is counted here.</p>
      ) : (
        <table className="table table-sm figures">
          <thead>
            <tr>
              <th scope="col">Stock</th>
              <th scope="col">Bender</th>
              <th scope="col">Die</th>
              <th scope="col">Bends</th>
              <th scope="col">Springs back</th>
              <th scope="col">For 90° set</th>
              <th scope="col" aria-label="Forget it" />
            </tr>
          </thead>
          <tbody>
            {data.known.map((one) => (
              <tr key={`${one.bender} ${one.stock} ${one.radius}`}>
                <td>{one.stock}</td>
                <td>{one.bender}</td>
                <td>R {length(one.radius)}</td>
                <td>{one.bends}</td>
                <td>
                  {one.springback.toFixed(1)} % and {one.opening.toFixed(2)}°
                </td>
                <td>
                  {one.set_for_90.toFixed(2)}° ± {one.uncertainty.toFixed(2)}°
                </td>
                <td>
                  <Button
                    title="It is of another batch, or the bender was mended"
                    onClick={() => tell(forget(one.bender, one.stock))}
                  >
                    Forget
                  </Button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
