import type { CreditedAsset, Starter } from '@gobrel/core';
import { takeFromBox } from './pictureBox';

/** The picture that a starter begins with, brought among one's own; null for one without. */
export async function pictureOf({ drawing, title }: Starter): Promise<CreditedAsset | null> {
  if (!drawing) return null;
  const { asset, credit } = await takeFromBox({ id: drawing, title });
  return { ...asset, credit };
}
