import type { AssetRef, FileRef, MediaRef } from '@gobrel/core';
import { http } from './http';

/** Pictures that browsers can show and the server keeps. */
export const PICTURE_TYPES = 'image/png,image/jpeg,image/webp,image/gif,image/svg+xml';
const LARGEST_FILE = 20_000_000;

/** Sends a picture; throws with the reason when it is none or too large. */
export function uploadPicture(file: File): Promise<AssetRef> {
  if (file.size > LARGEST_FILE) {
    return Promise.reject(new Error('The file is too large: 20 MB is the most.'));
  }
  const form = new FormData();
  form.append('file', file);
  return http.post<AssetRef>('assets', form);
}

/** Sends any file, for a link to lead to; throws with the reason when it is too large. */
export async function uploadFile(file: File): Promise<FileRef> {
  if (file.size > 10_000_000) throw new Error('The file is too large: 10 MB is the most.');
  if (file.size === 0) throw new Error('This file is empty.');
  const form = new FormData();
  form.append('file', file);
  const { hash, size } = await http.post<{ hash: string; size: number }>('files', form);
  return { hash, size, name: file.name.slice(0, 200) };
}

/** Begins the hash of a picture that is still in the picture box: nobody has brought it yet. */
export const IN_THE_BOX = 'box:';

/** In a page that carries its files in itself: the address of one of them. */
let within: (hash: string, isStill: boolean) => string | null = () => null;
export const takeFrom = (carried: typeof within): void => {
  within = carried;
};

/** The address of a picture at a width of about so many pixels on screen; of an animated one perhaps its first frame. */
export function assetUrl(asset: AssetRef, width: number, isStill = false): string {
  const own = within(asset.hash, isStill);
  if (own !== null) return own;
  if (asset.hash.startsWith(IN_THE_BOX))
    return `/api/picture-box/${asset.hash.slice(IN_THE_BOX.length)}.svg`;
  const dense = width * Math.min(2, globalThis.devicePixelRatio || 1);
  const size = [320, 640, 1280].find((candidate) => candidate >= dense);
  if (isStill) return `/api/assets/${asset.hash}?still=1&w=${size ?? 1280}`;
  return size ? `/api/assets/${asset.hash}?w=${size}` : `/api/assets/${asset.hash}`;
}

export const mediaUrl = ({ hash }: MediaRef): string => within(hash, false) ?? `/api/media/${hash}`;

export const fileUrl = ({ hash, name }: FileRef): string =>
  within(hash, false) ?? `/api/files/${hash}/${encodeURIComponent(name)}`;
