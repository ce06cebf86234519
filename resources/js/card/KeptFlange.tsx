import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, files } from '../api/client';
import type { OwnFlange } from '../job/flanges';
import { NameField } from '../job/NameField';
import { useWorkbench } from '../job/store';
import { tell } from '../job/tell';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import { Row } from '../ui/Section';

interface Props {
  title: string;
  flange: OwnFlange;
  onNumber: (partNumber: string) => Promise<void>;
}

/** The part number of a flange, by which it is kept in the catalogue and chosen again; all of them as CSV. */
export function KeptFlange({ title, flange, onNumber }: Props) {
  const client = useQueryClient();
  const setNotice = useWorkbench((store) => store.setNotice);
  const kept = useQuery({ queryKey: ['own-flanges'], queryFn: api.ownFlanges });
  const refresh = () => client.invalidateQueries({ queryKey: ['own-flanges'] });
  const keep = useMutation({
    mutationFn: () => api.keepFlange({ part_number: flange.part_number ?? '', flange }),
    onSuccess: refresh,
  });
  const row = kept.data?.find(({ part_number }) => part_number === flange.part_number);
  const drop = async (id: number) => {
    await api.dropFlange(id);
    await refresh();
  };
  const bringIn = async (file: File) => {
    const { taken, refused } = await api.takeFlanges(await file.text());
    await refresh();
    const first = refused[0];
    setNotice(
      first === undefined
        ? `${taken} flanges were taken.`
        : `${taken} flanges were taken, ${refused.length} not: line ${first.line}, ${first.why}.`,
    );
  };
  return (
    <>
      <Row label="Part number" wide>
        <NameField label={`${title}, flange: part number`} name={flange.part_number ?? ''} onChange={onNumber} />
      </Row>
      <div className="made-list">
        {row === undefined ? (
          <Button
            disabled={flange.part_number === undefined}
            title="Keep it in the catalogue, to be chosen again"
            onClick={() => tell(keep.mutateAsync())}
          >
            Keep it
          </Button>
        ) : (
          <>
            <Button title="Keep it as it is now" onClick={() => tell(keep.mutateAsync())}>
              Keep as it is
            </Button>
            <Button title="Take it out of the catalogue" onClick={() => tell(drop(row.id))}>
              Forget it
            </Button>
          </>
        )}
        <FileButton label="Flanges as CSV" accept=".csv,.txt" onFile={(file) => tell(bringIn(file))}>
          CSV in…
        </FileButton>
        <Button href={files.flanges} download title="Save your own flanges as CSV">
          CSV out
        </Button>
      </div>
    </>
  );
}
