import { useHover } from '../job/hover';

/** The small tag by the pointer. */
export function HoverTag() {
  const hover = useHover((store) => store.hover);
  if (hover === null) {
    return null;
  }
  return (
    <div className="hover-tag" style={{ left: hover.x, top: hover.y }}>
      <div className="what">{hover.title}</div>
      {hover.rows.map(([what, amount]) => (
        <div key={what} className="row-of-tag">
          <span>{what}</span>
          <span className="mono">{amount}</span>
        </div>
      ))}
      {hover.held !== undefined && <div className="held">{hover.held}</div>}
    </div>
  );
}
