import type { Target } from '@gobrel/core';
import { fileUrl } from '../api/assets';

/** Opens what lies beside the walk: a web page in a tab of its own, a file as a download. False: it is neither. */
export function openBeside(target: Target): boolean {
  if (target.kind === 'web') {
    window.open(target.address, '_blank', 'noopener,noreferrer');
    return true;
  }
  if (target.kind !== 'file') return false;
  const link = document.createElement('a');
  link.href = fileUrl(target.file);
  link.download = target.file.name;
  link.click();
  return true;
}
