import { Checker, type Deck, type Pixels } from '@gobrel/core';
import type { CheckAnswer, DeckChange } from './checkMessages';

const checker = new Checker();
let deck: Deck | null = null;
let last: DeckChange | null = null;
let pixels = new Map<string, Pixels>();
let drawings = new Set<string>();
const asked = new Set<string>();

self.onmessage = ({ data }: MessageEvent<DeckChange>): void => {
  deck = apply(deck, data);
  if (data.isPart) return;
  last = data;
  answer();
  void fetchPictures(deck);
};

function apply(old: Deck | null, change: DeckChange): Deck {
  const slides = { ...old?.slides };
  const links = { ...old?.links };
  for (const slide of change.slides) slides[slide.id] = slide;
  for (const link of change.links) links[link.id] = link;
  for (const id of change.goneSlides) delete slides[id];
  for (const id of change.goneLinks) delete links[id];
  return { ...change.head, slides, links };
}

function answer(): void {
  if (!deck || !last) return;
  const from = performance.now();
  const report = checker.check(deck, {
    pace: { wordsPerMinute: last.wordsPerMinute, secondsPerQuestion: 30 },
    readableDecks: last.readableDecks ? new Set(last.readableDecks) : undefined,
    pixels,
    drawings,
  });
  const said: CheckAnswer = { report, version: last.version, took: performance.now() - from };
  self.postMessage(said);
}

/** Pictures made small, each asked for once; the check is done again when new ones have come. */
async function fetchPictures(of: Deck): Promise<void> {
  const wanted = new Set<string>();
  for (const slide of Object.values(of.slides)) {
    for (const element of slide.elements) {
      if (element.kind === 'picture' && !asked.has(element.asset.hash)) {
        wanted.add(element.asset.hash);
      }
    }
  }
  if (wanted.size === 0) return;
  for (const hash of wanted) asked.add(hash);
  const [newPixels, newDrawings] = [new Map(pixels), new Set(drawings)];
  await Promise.all(
    [...wanted].map(async (hash) => {
      try {
        const { small, isDrawing } = await fetchSmall(hash);
        newPixels.set(hash, small);
        if (isDrawing) newDrawings.add(hash);
      } catch {
        // Without it, words on it are not judged; it is asked for again with the next change.
        asked.delete(hash);
      }
    }),
  );
  for (const [hash, known] of pixels) newPixels.set(hash, known);
  pixels = newPixels;
  drawings = new Set([...drawings, ...newDrawings]);
  answer();
}

async function fetchSmall(hash: string): Promise<{ small: Pixels; isDrawing: boolean }> {
  const response = await fetch(`/api/assets/${hash}/small`);
  if (!response.ok) throw new Error(`picture ${response.status}`);
  const bitmap = await createImageBitmap(await response.blob());
  const { width, height } = bitmap;
  const canvas = new OffscreenCanvas(width, height).getContext('2d');
  if (!canvas) throw new Error('no canvas');
  canvas.drawImage(bitmap, 0, 0);
  return {
    small: { width, height, rgba: canvas.getImageData(0, 0, width, height).data },
    isDrawing: response.headers.get('x-picture-kind') === 'drawing',
  };
}
