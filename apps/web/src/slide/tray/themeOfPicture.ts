import type { SmallPicture, ThemeData } from '@gobrel/core';
import ThemePictureWorker from './themePicture.worker?worker';
import type { PictureQuestion } from './themePicture.worker';

/** Larger than this, a picture has no other colours. */
const EDGE = 96;

/** A theme in the colours of a picture; null where there is nothing to be seen in it. Throws when it is no picture. */
export async function themeOfPicture(file: Blob, theme: ThemeData): Promise<ThemeData | null> {
  const picture = await smallPicture(file);
  const worker = new ThemePictureWorker();
  try {
    return await new Promise((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<ThemeData | null>) => resolve(data);
      worker.onerror = () => reject(new Error('The colours of this picture could not be found.'));
      worker.postMessage({ picture, theme } satisfies PictureQuestion);
    });
  } finally {
    worker.terminate();
  }
}

async function smallPicture(file: Blob): Promise<SmallPicture> {
  const address = URL.createObjectURL(file);
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const scale = Math.min(1, EDGE / Math.max(image.naturalWidth, image.naturalHeight, 1));
    const [width, height] = [image.naturalWidth, image.naturalHeight].map((side) =>
      Math.max(1, Math.round((side || EDGE) * scale)),
    ) as [number, number];
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width, height });
    const pen = canvas.getContext('2d');
    if (!pen) throw new Error('no canvas');
    pen.drawImage(image, 0, 0, width, height);
    return { width, height, rgba: pen.getImageData(0, 0, width, height).data };
  } catch {
    throw new Error('This is no picture that a browser can show.');
  } finally {
    URL.revokeObjectURL(address);
  }
}
