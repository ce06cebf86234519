import { CanvasTexture, RepeatWrapping, SRGBColorSpace } from 'three';

/** Pixels of one repeat of the pattern. */
const SIZE = 64;

/**
 * Returns the pattern of a cut face: strokes at 45°, both ways for what bends by itself, so that it is told from metal
 * without colour.
 *
 * @param isOther whether the strokes lean the other way, as beside another body
 * @param isFaint whether the strokes are thin and light, as of what is only around
 */
export function hatch(fill: string, isCrossed: boolean, isOther: boolean, isFaint = false): CanvasTexture {
  const canvas = document.createElement('canvas');
  canvas.width = SIZE;
  canvas.height = SIZE;
  const pen = canvas.getContext('2d');
  if (pen !== null) {
    pen.fillStyle = fill;
    pen.fillRect(0, 0, SIZE, SIZE);
    pen.strokeStyle = isFaint ? '#9a927f' : '#15242c';
    pen.lineWidth = isFaint ? 2 : 4;
    const stroke = (up: boolean) => {
      for (const shift of [-SIZE, 0, SIZE]) {
        pen.beginPath();
        pen.moveTo(shift, up ? SIZE : 0);
        pen.lineTo(shift + SIZE, up ? 0 : SIZE);
        pen.stroke();
      }
    };
    stroke(!isOther);
    if (isCrossed) {
      stroke(isOther);
    }
  }
  const texture = new CanvasTexture(canvas);
  texture.wrapS = RepeatWrapping;
  texture.wrapT = RepeatWrapping;
  texture.colorSpace = SRGBColorSpace;
  return texture;
}
