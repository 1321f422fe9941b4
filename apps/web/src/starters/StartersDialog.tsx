import {
  addStarter,
  emptyDeckIn,
  findStarters,
  pasteSlides,
  readDeck,
  STARTER_GROUPS,
  STARTERS,
  type KeptStarter,
  type Slide,
  type SlideId,
  type Starter,
  type StarterGroup,
  type DeckTheme,
} from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { memo, useMemo, useState, type ReactElement, type ReactNode } from 'react';
import { http, sentenceOf } from '../api/http';
import { IN_THE_BOX } from '../api/assets';
import { useChange } from '../api/teacher';
import { SlideView } from '../stage/SlideView';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { useNotices } from '../ui/Notice';
import { Segments } from '../ui/Segments';
import { useDeck } from '../deck/DeckContext';
import { pictureOf } from '../api/pictureOf';

type Shown = StarterGroup | 'all' | 'own';

const GROUPS: { value: Shown; label: string }[] = [
  { value: 'all', label: 'All' },
  ...STARTER_GROUPS.map((value) => ({ value, label: value[0]!.toUpperCase() + value.slice(1) })),
  { value: 'own', label: 'My own' },
];
const WIDTH = 232;

/** Ready-made slides to begin from, with a picture of each in the deck's theme. */
export default function StartersDialog(props: {
  beside?: SlideId;
  onAdded: (slideId: SlideId) => void;
  onClose: () => void;
}): ReactElement {
  const { deck, deckId, run } = useDeck();
  const { trouble, tell } = useNotices();
  const [wanted, setWanted] = useState('');
  const [group, setGroup] = useState<Shown>('all');
  const [busy, setBusy] = useState<string | null>(null);
  const own = useQuery({
    queryKey: ['starters'],
    queryFn: () => http.get<KeptStarter[]>('starters'),
  });
  const takeOut = useChange((id: string) => http.remove(`starters/${id}`), ['starters']);
  const found = findStarters(STARTERS, wanted).filter(
    (starter) => group === 'all' || starter.group === group,
  );
  const kept = (own.data ?? []).filter(
    ({ title }) =>
      (group === 'all' || group === 'own') && title.toLowerCase().includes(wanted.toLowerCase()),
  );
  const add = async (starter: Starter): Promise<void> => {
    setBusy(starter.id);
    try {
      const picture = await pictureOf(starter);
      const { beside } = props;
      const added = run(addStarter, starter, { ...(beside ? { beside } : {}), picture });
      if (added) props.onAdded(added.slideId);
    } catch (error) {
      trouble(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  const addKept = ({ clip }: KeptStarter): void => {
    const added = run(pasteSlides, clip, deckId, { dx: 0, dy: 0 });
    const [slideId] = added?.slideIds ?? [];
    if (slideId) props.onAdded(slideId);
  };
  return (
    <Dialog title="Starters" isOpen onClose={props.onClose} isWide>
      <div className="sticky top-0 z-10 -mx-1 mb-3 flex flex-wrap items-end gap-3 bg-paper px-1 pb-2">
        <Field
          label="Search"
          className="w-[220px]"
          value={wanted}
          placeholder="scale, picture, sort …"
          onChange={(event) => setWanted(event.target.value)}
        />
        <Segments label="Group" value={group} options={GROUPS} onChange={setGroup} />
      </div>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(232px,1fr))] gap-4">
        {kept.map((starter) => (
          <Card
            key={starter.id}
            title={starter.title}
            use="Kept by you."
            picture={<Preview slide={starter.clip.slides[0]} theme={deck.theme} />}
            onPick={() => addKept(starter)}
          >
            <Button
              size="small"
              look="quiet"
              onClick={() =>
                takeOut.mutate(starter.id, {
                  onSuccess: () => tell(`“${starter.title}” is no starter any more.`),
                  onError: (error) => trouble(sentenceOf(error)),
                })
              }
            >
              Take it out
            </Button>
          </Card>
        ))}
        {group !== 'own' &&
          found.map((starter) => (
            <Card
              key={starter.id}
              title={starter.title}
              use={starter.use}
              isBusy={busy === starter.id}
              picture={<StarterPreview starter={starter} theme={deck.theme} />}
              onPick={() => void add(starter)}
            />
          ))}
      </ul>
      {kept.length === 0 && (group === 'own' || found.length === 0) && (
        <p className="text-soft">
          {group === 'own' && wanted === ''
            ? 'None yet. On the map, pick a slide and keep it as a starter.'
            : 'No starter has these words.'}
        </p>
      )}
    </Dialog>
  );
}

function Card(props: {
  title: string;
  use: string;
  picture: ReactNode;
  isBusy?: boolean;
  onPick: () => void;
  children?: ReactNode;
}): ReactElement {
  return (
    <li className="[contain-intrinsic-size:auto_190px] [content-visibility:auto]">
      <button
        type="button"
        disabled={props.isBusy}
        onClick={props.onPick}
        className="block w-full rounded-[6px] border border-line bg-sheet p-1.5 text-left hover:border-petrol"
      >
        <span className="pointer-events-none relative block overflow-hidden" inert aria-hidden>
          {props.picture}
        </span>
        <span className="mt-1.5 block font-semibold">{props.title}</span>
        <span className="block text-[13px] text-soft">{props.use}</span>
      </button>
      {props.children}
    </li>
  );
}

const Preview = ({
  slide,
  theme,
}: {
  slide: Slide | undefined;
  theme: DeckTheme;
}): ReactElement | null => (slide ? <SlideView slide={slide} theme={theme} width={WIDTH} /> : null);

/** All drawings of the picture box have this shape. */
const DRAWING = { hash: '0'.repeat(64), width: 600, height: 500, isAnimated: false };

/** The slide that a starter would make, made in a deck that nobody keeps. */
const StarterPreview = memo(function StarterPreview(props: {
  starter: Starter;
  theme: DeckTheme;
}): ReactElement | null {
  const { starter, theme } = props;
  const slide = useMemo(() => {
    const doc = emptyDeckIn(theme);
    const added = addStarter(doc, starter, { picture: starter.drawing ? DRAWING : null });
    const made = added.ok ? readDeck(doc).slides[added.slideId] : undefined;
    return made && withDrawing(made, starter.drawing ?? '');
  }, [starter, theme]);
  return <Preview slide={slide} theme={theme} />;
});

/** A slide whose picture stays in the picture box until the slide is taken. */
function withDrawing(slide: Slide, drawing: string): Slide {
  const asset = { ...DRAWING, hash: `${IN_THE_BOX}${drawing}` };
  return {
    ...slide,
    elements: slide.elements.map((element) => {
      if (element.kind === 'picture') return { ...element, asset };
      if (element.kind === 'question' && element.picture) return { ...element, picture: asset };
      return element;
    }),
  };
}
