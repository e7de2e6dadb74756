import { createHash } from 'node:crypto';
import type { JobStatement } from '@fair-plug/core/log';
import sharp from 'sharp';
import { aluminumInBox, drawingSize, panelDirectory, scorchedReceptacle } from './drawings.ts';

/** A drawing as it is kept in place of a photo, with all that is said of it. */
export interface DemoPhoto {
  readonly hash: string;
  readonly bytes: Buffer;
  readonly statements: readonly JobStatement[];
}

/** The demo’s photos, drawn and encoded; `idOf` gives each thing its id. */
export async function demoPhotos(idOf: (name: string) => string): Promise<readonly DemoPhoto[]> {
  const all = [
    {
      name: 'scorch',
      drawing: scorchedReceptacle(),
      about: { of: 'receptacle', about: idOf('Dining room 2') },
      caption: 'Browned round the hot slot',
      shape: { form: 'arrow', x: 0.75, y: 0.3, toX: 0.58, toY: 0.44 },
    },
    {
      name: 'aluminum',
      drawing: aluminumInBox(),
      about: { of: 'box', about: idOf('Front bedroom 3') },
      caption: 'Dull silver ends under brass screws',
      shape: { form: 'ring', x: 0.65, y: 0.385, radius: 0.12 },
    },
    {
      name: 'directory',
      drawing: panelDirectory(),
      about: { of: 'panel', about: idOf('panel') },
      caption: 'The directory; 16 says nothing',
      shape: { form: 'blur', x: 0.61, y: 0.065, width: 0.19, height: 0.06 },
    },
  ] as const;
  return Promise.all(
    all.map(async ({ name, drawing, about, caption, shape }): Promise<DemoPhoto> => {
      const bytes = await sharp(Buffer.from(drawing)).jpeg({ quality: 72, mozjpeg: true }).toBuffer();
      const hash = createHash('sha256').update(bytes).digest('hex');
      const photo = idOf(`photo ${name}`);
      return {
        hash,
        bytes,
        statements: [
          { kind: 'photo-taken', photo, ...about, hash, ...drawingSize },
          { kind: 'photo-described', photo, caption },
          { kind: 'photo-marked', photo, drawn: idOf(`mark ${name}`), shape },
        ],
      };
    }),
  );
}
