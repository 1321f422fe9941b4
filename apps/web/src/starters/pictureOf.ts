import type { AssetRef, Starter } from '@gobrel/core';
import { takeFromBox } from '../api/pictureBox';

/** The picture that a starter begins with, brought among one's own; null for one without. */
export async function pictureOf({ drawing, title }: Starter): Promise<AssetRef | null> {
  return drawing ? (await takeFromBox({ id: drawing, title })).asset : null;
}
