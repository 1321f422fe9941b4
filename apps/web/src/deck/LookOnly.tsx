import { refuse, told } from '@gobrel/core';
import { Eye } from 'lucide-react';
import type { ReactElement } from 'react';

/** What is said to whoever may only look. */
export const LOOK_ONLY = told(refuse('role.no'));

/** Stands where a deck is changed, for whoever may only look at it. */
export function LookOnly(): ReactElement {
  return (
    <p className="flex min-h-8 items-center gap-2 px-1 text-[13.5px] text-soft">
      <Eye size={16} aria-hidden />
      {LOOK_ONLY}
    </p>
  );
}
