import { slideWords, type AssetRef, type Deck, type RouteGraph } from '@gobrel/core';
import { uploadPicture } from '../api/assets';
import type { Painted, PaintOrder } from '../map/cardPictureFormat';
import PaintWorker from '../map/paint.worker?worker';
import { farFacesOf } from '../painting/farFaces';

/** Pixels across of the picture on a link card. */
const WIDTH = 1200;
/** Milliseconds that it may take: a deck is published without a picture rather than not at all. */
const LONGEST = 10_000;

/** Paints the first slide of a deck and brings it; null where this browser cannot. */
export async function bringFirstPicture(deck: Deck, graph: RouteGraph): Promise<AssetRef | null> {
  const slide = deck.startSlideId ? deck.slides[deck.startSlideId] : undefined;
  if (!slide || typeof OffscreenCanvas === 'undefined') return null;
  const worker = new PaintWorker();
  try {
    const order: PaintOrder = {
      slide,
      theme: deck.theme,
      links: [...(graph.waysOut.get(slide.id) ?? [])],
      faces: await farFacesOf(slideWords(slide)),
      width: WIDTH,
    };
    const painted = await new Promise<Blob | null>((resolve) => {
      const timer = setTimeout(() => resolve(null), LONGEST);
      const end = (blob: Blob | null): void => {
        clearTimeout(timer);
        resolve(blob);
      };
      worker.onmessage = ({ data }: MessageEvent<Painted>) => end(data.picture);
      worker.onerror = () => end(null);
      worker.postMessage(order);
    });
    return (
      painted && (await uploadPicture(new File([painted], 'first.webp', { type: 'image/webp' })))
    );
  } catch {
    return null;
  } finally {
    worker.terminate();
  }
}
