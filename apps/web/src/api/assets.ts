import type { AssetRef } from '@gobrel/core';
import { http } from './http';

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

/** The address of a picture at a width of about so many pixels on screen. */
export function assetUrl(asset: AssetRef, width: number): string {
  const dense = width * Math.min(2, globalThis.devicePixelRatio || 1);
  const size = [320, 640, 1280].find((candidate) => candidate >= dense);
  return size ? `/api/assets/${asset.hash}?w=${size}` : `/api/assets/${asset.hash}`;
}
