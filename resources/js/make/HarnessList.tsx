import { useQuery } from '@tanstack/react-query';
import { Modal } from 'react-bootstrap';
import { api } from '../api/client';
import { show } from '../job/format';
import { useJob } from '../job/useJob';

interface Props {
  harness: string;
  /** Its word in addresses. */
  list: string;
  title: string;
  onClose: () => void;
}

/** A heading of a list in words: "cut_length_mm" as "cut length, mm". */
const inWords = (heading: string) => heading.replace(/_(mm|in|kg|percent)$/, ', $1').replaceAll('_', ' ');

/** A list about a harness on the screen. */
export function HarnessList({ harness, list, title, onClose }: Props) {
  const { state } = useJob();
  const { data, error } = useQuery({
    queryKey: ['list', state.id, harness, list, state.revision],
    queryFn: () => api.harnessList(state.id, harness, list),
    retry: false,
  });
  return (
    <Modal show onHide={onClose} size="xl" scrollable aria-labelledby="list-title">
      <Modal.Header closeButton>
        <Modal.Title id="list-title">{title}</Modal.Title>
      </Modal.Header>
      <Modal.Body>
        {error !== null && <p className="text-danger">{error.message}</p>}
        {data === undefined ? (
          error === null && <p className="quiet">Making the list…</p>
        ) : data.rows.length === 0 ? (
          <p className="quiet mb-0">There is nothing in it yet.</p>
        ) : (
          <table className="table-plain harness-list">
            <thead>
              <tr>
                {data.headings.map((heading, column) => (
                  <th
                    key={heading}
                    scope="col"
                    className={typeof data.rows[0]?.[column] === 'number' ? 'number' : undefined}
                  >
                    {inWords(heading)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {data.rows.map((row, index) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: rows may be alike
                <tr key={index}>
                  {row.map((cell, column) => (
                    <td key={data.headings[column]} className={typeof cell === 'number' ? 'number' : undefined}>
                      {typeof cell === 'number' ? show(cell, 3) : cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </Modal.Body>
    </Modal>
  );
}
