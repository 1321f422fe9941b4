import type { AssetRef, BoxPicture, Credit, CreditedPicture, Licence } from '@gobrel/core';
import { http } from './http';

export function searchPictureBox(words: string, licence: Licence | null): Promise<BoxPicture[]> {
  const query = new URLSearchParams({ words, ...(licence ? { licence } : {}) });
  return http.get<BoxPicture[]>(`picture-box?${query}`);
}

export const boxPictureUrl = (id: string): string => `/api/picture-box/${id}.svg`;

/** Brings a drawing among one's own pictures, its credit with it. */
export async function takeFromBox(
  picture: Pick<BoxPicture, 'id' | 'title'>,
): Promise<{ asset: AssetRef; credit: Credit; alt: string }> {
  const { asset, credit } = await http.post<CreditedPicture>(`picture-box/${picture.id}`, {});
  return { asset, credit, alt: picture.title };
}
