import { show } from '../ui/format';
import { useCamera, VIEWS, type ViewName } from './camera';
import { GRID_STEP } from './FloorGrid';

const PETALS: readonly { view: ViewName; turn: number; label: string }[] = [
  { view: 'back', turn: 0, label: '+Y' },
  { view: 'right', turn: 90, label: '+X' },
  { view: 'front', turn: 180, label: '−Y' },
  { view: 'left', turn: 270, label: '−X' },
];

/** The rose: a petal for each side, the ring for above, the heart for the slanting view. */
export function Rose() {
  const { view, look } = useCamera();
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
      <svg viewBox="-50 -50 100 100" role="group" aria-label="Standard views">
        <circle r="47" fill="#fffdf7" stroke="#dcd2bc" />
        <circle
          {...petal('top', 'View from above')}
          r="40"
          fill="none"
          strokeWidth="0"
          style={{ fill: view === 'top' ? '#dfe8e8' : '#fffdf7' }}
        />
        {PETALS.map(({ view: name, turn, label }) => (
          <g key={name} transform={`rotate(${turn})`}>
            <path {...petal(name, `View from ${label}`)} d="M0 -36 L9 -12 L0 -8 L-9 -12 Z" />
            <text
              y="-39"
              transform={`rotate(${-turn} 0 -42)`}
              textAnchor="middle"
              fontSize="8"
              fill="#33474e"
              className="mono"
            >
              {label}
            </text>
          </g>
        ))}
        <circle {...petal('iso', 'Slanting view')} r="7" />
      </svg>
      <div className="where">
        {view === null ? 'turned by hand' : VIEWS[view].name}
        <br />
        floor grid {show(GRID_STEP)} mm
      </div>
    </div>
  );
}
