/** Longest side of a picture that is kept, pixels: 38 mm at 500 dots an inch. */
const LONGEST = 750;

const QUALITY = 0.88;

/**
 * Returns any picture that the browser can show as a JPEG in base64, on white where it is transparent, and no larger
 * than it is printed.
 */
export async function jpegOf(file: File): Promise<string> {
  const address = URL.createObjectURL(file);
  try {
    const picture = new Image();
    picture.src = address;
    await picture.decode().catch(() => {
      throw new Error(`“${file.name}” is no picture that can be shown here.`);
    });
    // An SVG without a size has none of its own.
    const [width, height] = [picture.naturalWidth || LONGEST, picture.naturalHeight || LONGEST];
    const scale = Math.min(1, LONGEST / Math.max(width, height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(width * scale));
    canvas.height = Math.max(1, Math.round(height * scale));
    const context = canvas.getContext('2d');
    if (context === null) {
      throw new Error('This browser draws no pictures.');
    }
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return canvas.toDataURL('image/jpeg', QUALITY).split(',')[1] ?? '';
  } finally {
    URL.revokeObjectURL(address);
  }
}
