/** Modules of white around a code (ISO/IEC 18004). */
const BORDER = 4;

/** A QR code, drawn of its modules. */
export function QrPicture({ modules, label }: { modules: readonly (readonly number[])[]; label: string }) {
  const size = modules.length + 2 * BORDER;
  const path = modules
    .flatMap((row, y) => row.map((cell, x) => (cell === 1 ? `M${x + BORDER} ${y + BORDER}h1v1h-1z` : '')))
    .join('');
  return (
    <svg className="qr" viewBox={`0 0 ${size} ${size}`} role="img" aria-label={label} shapeRendering="crispEdges">
      <rect width={size} height={size} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
