import type { MediaRef } from '@gobrel/core';
import { ApiProblem } from './http';

export const MEDIA_ACCEPT =
  '.webm,.ogg,.oga,.ogv,.opus,.wav,.flac,.mp3,audio/webm,audio/ogg,audio/wav,audio/flac,audio/mpeg,video/webm,video/ogg';
const LARGEST_MEDIA = 60_000_000;

/** Sends a sound or a video; `onProgress` is told shares from 0 to 1. Throws with the reason when it is refused. */
export async function uploadMedia(
  file: File,
  onProgress: (share: number) => void,
): Promise<MediaRef> {
  if (file.size > LARGEST_MEDIA) {
    const size = (file.size / 1e6).toLocaleString('en', { maximumFractionDigits: 0 });
    throw new Error(`${file.name} has ${size} MB: 60 MB is the most. Make it shorter or smaller.`);
  }
  if (file.size === 0) throw new Error('This file is empty.');
  const seconds = await lengthOf(file);
  // Only XMLHttpRequest tells how much has been sent.
  const stored = await new Promise<Omit<MediaRef, 'seconds'>>((done, fail) => {
    const request = new XMLHttpRequest();
    request.open('POST', '/api/media');
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onerror = () =>
      fail(new Error('The server cannot be reached. Check the connection and try again.'));
    request.onload = () => {
      const answer = JSON.parse(request.responseText || 'null') as
        (MediaRef & { detail?: string }) | null;
      if (request.status < 300 && answer) done(answer);
      else fail(new ApiProblem(request.status, answer?.detail ?? 'It could not be kept.'));
    };
    const form = new FormData();
    form.append('file', file);
    request.send(form);
  });
  const { hash, type, size } = stored;
  return { hash, type, size, seconds };
}

/** Seconds that a file plays; 0 when the browser cannot tell. */
function lengthOf(file: File): Promise<number> {
  const address = URL.createObjectURL(file);
  return new Promise<number>((done) => {
    const media = document.createElement('video');
    const finish = (seconds: number): void => {
      clearTimeout(timer);
      URL.revokeObjectURL(address);
      done(Number.isFinite(seconds) ? Math.round(seconds * 10) / 10 : 0);
    };
    const timer = setTimeout(() => finish(0), 3000);
    media.onloadedmetadata = () => finish(media.duration);
    media.onerror = () => finish(0);
    media.preload = 'metadata';
    media.src = address;
  });
}
