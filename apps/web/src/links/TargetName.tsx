import { targetWords, type Target } from '@gobrel/core';
import {
  ArrowRight,
  CircleDashed,
  CornerUpLeft,
  FileDown,
  Globe,
  Layers2,
  Mail,
  Route,
  type LucideIcon,
} from 'lucide-react';
import type { ReactElement } from 'react';
import { useDeck } from '../deck/DeckContext';

function iconOf(target: Target): LucideIcon {
  switch (target.kind) {
    case 'none':
      return CircleDashed;
    case 'slide':
      return ArrowRight;
    case 'step':
      return target.step === 'back' || target.step === 'restart' ? CornerUpLeft : Route;
    case 'deck':
      return Layers2;
    case 'web':
      return target.address.startsWith('mailto:') ? Mail : Globe;
    case 'file':
      return FileDown;
  }
}

/** Where a link leads, as a sign and its name. */
export function TargetName({ target }: { target: Target }): ReactElement {
  const { deck } = useDeck();
  const Icon = iconOf(target);
  return (
    <span className="inline-flex max-w-full items-center gap-1.5">
      <Icon size={14} aria-hidden className="shrink-0" />
      <span className="truncate">
        {targetWords(target, (slideId) => deck.slides[slideId]?.title ?? null)}
      </span>
    </span>
  );
}
