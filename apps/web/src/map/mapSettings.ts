import { useCallback, useState } from 'react';
import { OVERLAYS, type Overlay } from '../cards/cardMark';
import type { Direction } from '../cards/wirePath';
import { memory } from '../sync/memory';

export type Panel = 'plan' | 'trails' | 'none';

/** How somebody looks at the map of a deck; remembered on this device. */
export interface MapSettings {
  direction: Direction;
  overlay: Overlay;
  panel: Panel;
}

const keyOf = (deckId: string): string => `gobrel:map:${deckId}`;

export function useMapSettings(
  deckId: string,
  isLeftward: boolean,
): [MapSettings, (change: Partial<MapSettings>) => void] {
  const [settings, setSettings] = useState<MapSettings>(() => {
    const start: MapSettings = { direction: 'right', overlay: 'findings', panel: 'none' };
    const kept = (memory.read(keyOf(deckId)) ?? {}) as Partial<MapSettings>;
    if (kept.direction === 'down') start.direction = 'down';
    if (kept.overlay && OVERLAYS.includes(kept.overlay)) start.overlay = kept.overlay;
    if (kept.panel === 'plan' || kept.panel === 'trails') start.panel = kept.panel;
    return start;
  });
  const change = useCallback(
    (by: Partial<MapSettings>) =>
      setSettings((old) => {
        const next = { ...old, ...by };
        memory.set(keyOf(deckId), JSON.stringify(next));
        return next;
      }),
    [deckId],
  );
  const across = isLeftward ? 'left' : 'right';
  const direction = settings.direction === 'down' ? 'down' : across;
  return [{ ...settings, direction }, change];
}
