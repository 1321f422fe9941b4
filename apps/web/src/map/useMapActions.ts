import {
  addChoice,
  addSection,
  addSlide,
  CARD,
  clipSlides,
  duplicateSlides,
  hangingBelow,
  pasteSlides,
  putIntoSection,
  readClip,
  removeSlides,
  renameSlide,
  rewordLink,
  setSlideFlag,
  setStart,
  type LinkId,
  type Section,
  type Slide,
  type SlideId,
  entryAt,
  titleOf,
} from '@gobrel/core';
import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange } from '../api/teacher';
import { useNotices } from '../ui/Notice';
import { useClipboard } from '../ui/useClipboard';
import { useStable } from '../ui/useStable';
import { useDeck } from '../deck/DeckContext';
import { LOOK_ONLY } from '../deck/LookOnly';
import { carriedTo } from './carried';
import type { MapActions, Prompt } from './MapBar';

/** The clipboard's name for slides; only this program writes and reads it. */
const CLIP_TYPE = 'application/x-gobrel-slides+json';

/** Cards that come from elsewhere stand to the right of those that are here, at their height. */
function besideAll(
  here: readonly Pick<Slide, 'x' | 'y'>[],
  come: readonly Pick<Slide, 'x' | 'y'>[],
): { dx: number; dy: number } {
  if (here.length === 0 || come.length === 0) return { dx: 0, dy: 0 };
  const right = Math.max(...here.map(({ x }) => x)) + CARD.width + CARD_GAP;
  const top = Math.min(...here.map(({ y }) => y));
  return {
    dx: right - Math.min(...come.map(({ x }) => x)),
    dy: top - Math.min(...come.map(({ y }) => y)),
  };
}
/** In units of the map. */
const CARD_GAP = 90;

/** Everything that is done on the map with keys, buttons or the clipboard. */
export function useMapActions(args: {
  slideIds: SlideId[];
  linkId: LinkId | null;
  ask: (prompt: Prompt) => void;
  show: (slideIds: SlideId[]) => void;
  clear: () => void;
  reword: (linkId: LinkId) => void;
  lead: (linkId: LinkId) => void;
  cut: (linkId: LinkId) => void;
  editSection: (section: Section) => void;
  openStarters: () => void;
  copyInto: (slideIds: SlideId[]) => void;
  linkFrom: (from: SlideId, to?: SlideId) => void;
}): MapActions {
  const { deckId, doc, deck, graph, run, refusalOf, isOpen, setOutMany } = useDeck();
  const { slideIds, ask, show } = args;
  const navigate = useNavigate();
  const notices = useNotices();
  const keep = useChange(
    (starter: { title: string; clip: string }) => http.post('starters', starter),
    ['starters'],
  );

  const addChoiceFrom = (from: SlideId, at?: { x: number; y: number }): void =>
    ask({
      label: 'Wording of the choice',
      value: '',
      done: (wording) => {
        const added = run(addChoice, from, wording, { at });
        if (added) show([added.slideId]);
      },
    });
  const addNew = (at?: { x: number; y: number }): void =>
    ask({
      label: 'Name of the slide',
      value: '',
      done: (title) => {
        const added = run(addSlide, { title, layout: 'text', at });
        if (added) show([added.slideId]);
      },
    });
  const removeAll = (): void => {
    const [only] = slideIds;
    const slide = entryAt(deck.slides, only);
    const said =
      slideIds.length === 1
        ? slide?.title
          ? `“${titleOf(slide)}”`
          : 'One slide'
        : `${slideIds.length} slides`;
    if (!run(removeSlides, slideIds)) return;
    notices.tell(`${said} deleted. Ctrl+Z brings it back.`);
    args.clear();
  };
  const clipText = (): string => JSON.stringify(clipSlides(deck, deckId, slideIds));
  const titles = (): string => slideIds.map((id) => `- ${deck.slides[id]?.title ?? ''}`).join('\n');
  const copyTo = (data: DataTransfer): void => {
    data.setData(CLIP_TYPE, clipText());
    data.setData('text/plain', titles());
    notices.tell(slideIds.length === 1 ? 'One slide copied.' : `${slideIds.length} slides copied.`);
  };
  /** False for what are no slides. */
  const paste = (text: string, section: string | null = null): boolean => {
    const clip = readClip(text);
    if (!clip) return false;
    const isHere = clip.slides.every(({ id }) => deck.slides[id]);
    const by = isHere ? { dx: 40, dy: 170 } : besideAll(Object.values(deck.slides), clip.slides);
    // One step, that is undone as one.
    const pasted = doc.transact(() => {
      const come = run(pasteSlides, clip, deckId, by);
      if (come && section !== null) run(addSection, { name: section, slideIds: come.slideIds });
      return come;
    }, 'command');
    if (!pasted) return true;
    show(pasted.slideIds);
    const { length } = pasted.slideIds;
    const said = length === 1 ? 'One slide pasted.' : `${length} slides pasted.`;
    notices.tell(
      pasted.lost.length === 0
        ? said
        : `${said} What these lead to did not come along: ${pasted.lost.slice(0, 5).join(', ')}.`,
    );
    return true;
  };
  const pasteFrom = (data: DataTransfer): boolean => {
    const text = data.getData(CLIP_TYPE);
    if (!text) return false;
    if (!paste(text)) notices.trouble('What was copied are no slides.');
    return true;
  };
  // What was carried here comes once.
  const pasteCarried = useStable(() => {
    const carried = carriedTo(deckId);
    if (carried) paste(carried.clip, carried.section);
  });
  useEffect(() => {
    if (isOpen) pasteCarried();
  }, [isOpen, pasteCarried]);
  const hasSlides = slideIds.length > 0;
  useClipboard({
    onCopy: hasSlides ? copyTo : undefined,
    onCut: hasSlides
      ? (data) => {
          copyTo(data);
          removeAll();
        }
      : undefined,
    onPaste: pasteFrom,
  });

  const actions: MapActions = {
    addChoice: addChoiceFrom,
    addBeside: (slideId) => {
      const parent = graph.waysIn.get(slideId)?.[0]?.from;
      if (parent) addChoiceFrom(parent);
      else addNew();
    },
    addSlide: addNew,
    rename: (slide: Slide, value = slide.title) =>
      ask({
        label: 'Name of the slide',
        value,
        done: (title) => {
          run(renameSlide, slide.id, title);
          show([slide.id]);
        },
      }),
    reword: (linkId) => {
      // Asked before anything is typed that would be refused.
      const why = refusalOf(rewordLink, linkId, deck.links[linkId]?.wording || '…');
      if (why === null) args.reword(linkId);
      else notices.trouble(why);
    },
    lead: args.lead,
    remove: () => {
      if (args.linkId) args.cut(args.linkId);
      else if (slideIds.length > 0) removeAll();
    },
    duplicate: () => {
      const copy = run(duplicateSlides, slideIds);
      if (copy) show(copy.slideIds);
    },
    duplicateBelow: (slideId) => {
      const copy = run(duplicateSlides, hangingBelow(deck, graph, slideId));
      if (copy) show(copy.slideIds);
    },
    copy: () => void document.execCommand('copy'),
    copyInto: () => args.copyInto(slideIds),
    setOut: () => {
      if (setOutMany(slideIds))
        notices.tell(
          `${slideIds.length} slides are set out. Ctrl+Z brings them back as they were.`,
        );
    },
    setFlag: (slides, flag, value) => {
      doc.transact(() => {
        for (const { id } of slides) run(setSlideFlag, id, flag, value);
      }, 'command');
    },
    makeStart: (slideId) => void run(setStart, slideId),
    open: (slideId) => void navigate(`/deck/${deckId}/slide/${slideId}`),
    makeSection: () =>
      ask({
        label: 'Name of the section',
        value: '',
        done: (name) => {
          run(addSection, { name, slideIds });
          show(slideIds);
        },
      }),
    leaveSection: () => void run(putIntoSection, slideIds, null),
    editSection: args.editSection,
    openStarters: args.openStarters,
    linkFrom: args.linkFrom,
    keepAsStarter: (slide) =>
      ask({
        label: 'Name of the starter',
        value: slide.title,
        done: (title) => {
          const clip = JSON.stringify(clipSlides(deck, deckId, [slide.id]));
          keep.mutate(
            { title, clip },
            {
              onSuccess: () => notices.tell(`“${title}” is among your starters.`),
              onError: (error) => notices.trouble(sentenceOf(error)),
            },
          );
        },
      }),
  };
  if (isOpen) return actions;
  // Whoever may only look words, picks and leads nothing that would be refused in the end.
  const refused = (): void => notices.trouble(LOOK_ONLY);
  const none = Object.fromEntries(Object.keys(actions).map((name) => [name, refused]));
  return {
    ...(none as unknown as MapActions),
    open: actions.open,
    copy: actions.copy,
    copyInto: actions.copyInto,
  };
}
