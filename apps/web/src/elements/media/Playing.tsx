import type { Deck, MediaElement, SlideId, SectionId } from '@gobrel/core';
import {
  createContext,
  useEffect,
  useRef,
  useState,
  type ReactElement,
  type ReactNode,
} from 'react';
import { mediaUrl } from '../../api/assets';

/** Within it, sounds and videos on slides can be played. */
export const Playing = createContext<true | null>(null);

/** A page on which slides are walked: their media play, and sounds that run on go on from slide to slide. */
export function PlayingSlides(props: {
  deck: Deck;
  here: SlideId | null;
  children: ReactNode;
}): ReactElement {
  return (
    <Playing value={true}>
      {props.children}
      <RunningSound deck={props.deck} here={props.here} />
    </Playing>
  );
}

/** The sound that was begun on a slide of the section one is in, and plays on until the section is left. */
function RunningSound({ deck, here }: { deck: Deck; here: SlideId | null }): ReactElement | null {
  const [running, setRunning] = useState<{
    sound: MediaElement;
    sectionId: SectionId | null;
  } | null>(null);
  const audio = useRef<HTMLAudioElement>(null);
  const slide = here ? deck.slides[here] : undefined;
  const begun = slide?.elements.find(
    (element): element is MediaElement =>
      element.kind === 'media' && element.medium === 'sound' && element.runsOn,
  );
  const wanted = begun
    ? { sound: begun, sectionId: slide!.sectionId }
    : running && slide && isWithin(deck, slide.sectionId, running.sectionId)
      ? running
      : null;
  if (wanted?.sound.media.hash !== running?.sound.media.hash) setRunning(wanted);
  const hash = running?.sound.media.hash;
  useEffect(() => {
    if (hash) audio.current?.play().catch(() => undefined);
  }, [hash]);
  if (!running) return null;
  return (
    <audio
      ref={audio}
      key={hash}
      src={mediaUrl(running.sound.media)}
      loop={running.sound.loops}
      controls
      aria-label={running.sound.name || 'Sound of this section'}
      className="fixed right-3 bottom-[72px] z-20 h-9 w-[220px] opacity-80"
    />
  );
}

/** Whether a section is another or lies in it, at whatever depth. */
function isWithin(deck: Deck, sectionId: SectionId | null, outer: SectionId | null): boolean {
  if (outer === null) return sectionId === null;
  const seen = new Set<string>();
  for (let id = sectionId; id !== outer; id = deck.sections[id]?.parentId ?? null) {
    if (id === null || seen.has(id)) return false;
    seen.add(id);
  }
  return true;
}
