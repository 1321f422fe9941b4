import { REFUSALS } from '@gobrel/core';
import { Eye } from 'lucide-react';
import type { ReactElement } from 'react';

/** Stands where a deck is changed, for whoever may only look at it. */
export function LookOnly(): ReactElement {
  return (
    <p className="flex min-h-8 items-center gap-2 px-1 text-[13.5px] text-soft">
      <Eye size={16} aria-hidden />
      {REFUSALS['role.no']}
    </p>
  );
}
