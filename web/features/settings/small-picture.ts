/** Widest and highest a mark is kept, in pixels; more is not seen in print. */
const widest = 480;
const highest = 220;
/** Longest data address that an entry takes. */
const longest = 80_000;

/** A picture as a data address small enough for the log; throws an error whose message says why it cannot be. */
export async function smallPicture(file: File): Promise<string> {
  const picture = await createImageBitmap(file).catch(() => {
    throw new Error('This is no picture that the browser can read.');
  });
  for (let scale = Math.min(1, widest / picture.width, highest / picture.height); ; scale *= 0.7) {
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const address = canvas.toDataURL('image/png');
    if (address.length <= longest) return address;
    if (canvas.width < 40) throw new Error('This picture is too intricate to be kept small.');
  }
}
