import { lengthWithUnit } from '../job/format';
import { useCamera, VIEWS, type ViewName } from './camera';
import { axisName, useUp } from './up';

const PETALS: readonly { view: ViewName; turn: number; label: string }[] = [
  { view: 'back', turn: 0, label: '+Y' },
  { view: 'right', turn: 90, label: '+X' },
  { view: 'front', turn: 180, label: '−Y' },
  { view: 'left', turn: 270, label: '−X' },
];

/** The rose: a petal for each side, the ring for above, the centre for the slanting view. */
export function Rose() {
  const { view, look, gridStep } = useCamera();
  const up = useUp();
  const petal = (name: ViewName, label: string) => ({
    role: 'button',
    tabIndex: 0,
    'aria-label': label,
    'aria-pressed': view === name,
    className: `petal${view === name ? ' here' : ''}`,
    onClick: () => look(name),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault();
        look(name);
      }
    },
  });
  return (
    <div className="rose">
      <svg viewBox="-60 -60 120 120" role="group" aria-label="Standard views">
        <circle r="46" fill="#fffdf7" stroke="#dcd2bc" />
        <circle
          {...petal('top', 'View from above')}
          r="44"
          fill="none"
          strokeWidth="0"
          style={{ fill: view === 'top' ? '#cfdedf' : '#fffdf7' }}
        />
        {PETALS.map(({ view: name, turn, label }) => (
          <g key={name} transform={`rotate(${turn})`}>
            <path {...petal(name, `View from ${axisName(label, up)}`)} d="M0 -42 L9 -12 L0 -8 L-9 -12 Z" />
            <text
              y="-49"
              dominantBaseline="central"
              transform={`rotate(${-turn} 0 -52)`}
              textAnchor="middle"
              fontSize="10"
              fill="#33474e"
              className="mono"
              pointerEvents="none"
            >
              {axisName(label, up)}
            </text>
          </g>
        ))}
        <circle {...petal('iso', 'Slanting view')} r="7.5" />
      </svg>
      <div className="where">
        {view === null ? 'turned by hand' : axisName(VIEWS[view].name, up)}
        <br />
        floor grid {lengthWithUnit(gridStep)}
      </div>
    </div>
  );
}
