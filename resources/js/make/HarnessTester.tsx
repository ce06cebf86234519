import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import type { Harness, Tested, WiringFaults } from '../api/types';
import { useFaults } from '../job/faults';
import { tell } from '../job/tell';
import { useJob } from '../job/useJob';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { IconButton } from '../ui/IconButton';
import { Section } from '../ui/Section';

type Fault = WiringFaults['faults'][number];

const KINDS = [
  ['open', 'open wire'],
  ['swapped', 'swapped pins'],
  ['short', 'joined pins'],
] as const;

const wordsOf = (fault: Fault) =>
  fault.kind === 'open'
    ? `${fault.wire} is open`
    : `${fault.pins?.join(' and ')} are ${fault.kind === 'short' ? 'joined' : 'swapped'}`;

/** The tester that stands in for a real one: faults are put into the harness, and it says what it finds. */
export function HarnessTester({ harness }: { harness: Harness }) {
  const { state } = useJob();
  // Shown on the board.
  const find = useFaults((store) => store.find);
  useEffect(() => () => find([]), [find]);
  const wires = harness.wires ?? [];
  const pins = [...new Set(wires.flatMap(({ from, to }) => [from, to]))].filter((pin) => pin.includes('.'));
  const [faults, setFaults] = useState<readonly Fault[]>([]);
  const [kind, setKind] = useState<Fault['kind']>('open');
  const [one, setOne] = useState('');
  const [other, setOther] = useState('');
  const [tested, setTested] = useState<Tested | null>(null);
  const of = (kind === 'open' ? wires.map(({ id }) => id) : pins).map((name): [string, string] => [name, name]);
  const first = of.some(([name]) => name === one) ? one : (of[0]?.[0] ?? '');
  const second = of.some(([name]) => name === other) ? other : (of[1]?.[0] ?? '');
  const put = () => {
    setFaults([...faults, kind === 'open' ? { kind, wire: first } : { kind, pins: [first, second] }]);
    setTested(null);
    find([]);
  };
  const test = async () => {
    const answer = await api.testHarness(state.id, harness.id, { faults: [...faults] });
    setTested(answer);
    find([...new Set(answer.found.flatMap((found) => found.pins.map((pin) => pin.split('.').slice(0, 2).join('.'))))]);
  };
  return (
    <Section title="Tester, simulated">
      <p className="quiet">Put in what went wrong, and see what a continuity tester would say of it.</p>
      <div className="d-flex align-items-center gap-1 mb-1">
        <Choice label="Fault" value={kind} of={KINDS} onChange={(next) => setKind(next as Fault['kind'])} />
        <Choice label="Of" value={first} of={of} onChange={setOne} />
        {kind !== 'open' && <Choice label="And" value={second} of={of} onChange={setOther} />}
        <span className="text-nowrap">
          <Button disabled={of.length === 0} onClick={put}>
            Put in
          </Button>
        </span>
      </div>
      {faults.map((fault, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: the same may be put in twice
        <div key={index} className="d-flex align-items-center gap-1">
          <span className="flex-grow-1">{wordsOf(fault)}</span>
          <IconButton
            icon={Trash2}
            name={`Put right: ${wordsOf(fault)}`}
            onClick={() => {
              setFaults(faults.filter((_, i) => i !== index));
              setTested(null);
              find([]);
            }}
          />
        </div>
      ))}
      <Button look="primary" disabled={wires.length === 0} onClick={() => tell(test())}>
        Test
      </Button>
      {tested !== null && (
        <div role="status" aria-label="What the tester found">
          {tested.found.length === 0 ? (
            <p className="mb-0">{tested.tested} pins, all joined as they should be.</p>
          ) : (
            <ul className="mb-0">
              {tested.found.map(({ words }) => (
                <li key={words} className="text-danger">
                  {words}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </Section>
  );
}
