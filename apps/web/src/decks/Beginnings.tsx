import {
  BEGINNINGS_OF_OURS,
  findBeginnings,
  parsePlan,
  plant,
  readDeck,
  summarise,
  type Beginning,
  type Deck,
} from '@gobrel/core';
import {
  useEffect,
  useMemo,
  useRef,
  useState,
  type FormEvent,
  type ReactElement,
  type ReactNode,
} from 'react';
import { useNavigate } from 'react-router';
import * as Y from 'yjs';
import { http } from '../api/http';
import { useChange, useDecks } from '../api/teacher';
import { SlideView } from '../stage/SlideView';
import { PlanSigns } from '../ui/PlanSigns';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Field } from '../ui/Field';
import { useSize } from '../ui/useSize';
import { count } from '../ui/when';
import { BeginningDialog } from './BeginningDialog';
import { DeckMapPicture } from '../cards/DeckMapPicture';

/** What a new deck is made of. */
interface Wanted {
  title: string;
  beginning?: string;
  plan?: string;
}
type Opened =
  | { is: 'empty' }
  | { is: 'plan'; title: string; plan: string }
  | { is: 'mine' }
  | { is: 'beginning'; beginning: Beginning; deck: Deck };

const PHASES = ['opening', 'working', 'closing', 'whole lesson'] as const;
const LENGTHS = [10, 20, 30, 45] as const;
const AGES = [6, 8, 10, 12, 14, 16] as const;
/** A written plan that is longer is pasted on the map. */
const LONGEST_PLAN = 150_000;

const deckOf = (beginning: Beginning): Deck => {
  const doc = new Y.Doc();
  plant(doc, beginning);
  return readDeck(doc);
};

/** The decks of our beginnings, by their ids: one after the other, so that the page answers in between. */
function usePlanted(): ReadonlyMap<string, Deck> {
  const [decks, setDecks] = useState<ReadonlyMap<string, Deck>>(new Map());
  const next = BEGINNINGS_OF_OURS.find(({ id }) => !decks.has(id));
  useEffect(() => {
    if (!next) return;
    const wait = setTimeout(() => setDecks(new Map(decks).set(next.id, deckOf(next))));
    return () => clearTimeout(wait);
  }, [decks, next]);
  return decks;
}

/** All that a new deck can begin with, and what is asked for it. @param isFirst whether there is none yet */
export function Beginnings({ isFirst = false }: { isFirst?: boolean }): ReactElement {
  const navigate = useNavigate();
  const [opened, setOpened] = useState<Opened | null>(null);
  const [sought, setSought] = useState('');
  const [phase, setPhase] = useState('');
  const [most, setMost] = useState('');
  const [age, setAge] = useState('');
  const [fault, setFault] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const decks = usePlanted();
  const make = useChange((wanted: Wanted) => http.post<{ id: string }>('decks', wanted), ['decks']);
  const begin = (wanted: Wanted): void =>
    make.mutate(wanted, { onSuccess: ({ id }) => void navigate(`/deck/${id}/map`) });
  const open = (next: Opened | null): void => {
    make.reset();
    setFault('');
    setOpened(next);
  };
  const read = async (chosen: File | undefined): Promise<void> => {
    if (!chosen) return;
    const plan = chosen.size > 4 * LONGEST_PLAN ? '' : await chosen.text();
    if (plan.includes('\u0000') || parsePlan(plan).items.every(({ isWrong }) => isWrong)) {
      setFault(`“${chosen.name}” holds no written plan: a list with a dash before each slide.`);
      return;
    }
    open({ is: 'plan', title: chosen.name.replace(/\.\w+$/, '').slice(0, 200), plan });
  };
  const found = findBeginnings(BEGINNINGS_OF_OURS, `${sought} ${age}`).filter(
    (one) => (phase === '' || one.phase === phase) && (most === '' || one.minutes <= Number(most)),
  );
  const trouble = make.error?.message;
  return (
    <>
      <div className="mb-6 flex flex-wrap items-center gap-3">
        <Source onClick={() => open({ is: 'empty' })}>An empty map</Source>
        <Source onClick={() => open({ is: 'plan', title: '', plan: '' })}>A written plan …</Source>
        <Source onClick={() => file.current?.click()}>A file …</Source>
        {!isFirst && <Source onClick={() => open({ is: 'mine' })}>Like one of mine …</Source>}
        <input
          ref={file}
          type="file"
          aria-label="A file with a written plan"
          accept=".md,.txt,.markdown,text/plain,text/markdown"
          className="hidden"
          onChange={(event) => {
            void read(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
      </div>
      {fault && (
        <p role="alert" className="mb-4">
          {fault}
        </p>
      )}
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h2 className="text-[19px]">Or one of ours, to change</h2>
        <div className="ml-auto flex flex-wrap items-center gap-3">
          <Narrowed label="Phase" any="Any phase" value={phase} onChange={setPhase}>
            {PHASES.map((each) => [each, each])}
          </Narrowed>
          <Narrowed label="Minutes" any="Any length" value={most} onChange={setMost}>
            {LENGTHS.map((each) => [String(each), `up to ${each} minutes`])}
          </Narrowed>
          <Narrowed label="Age" any="Any age" value={age} onChange={setAge}>
            {AGES.map((each) => [String(each), `age ${each}`])}
          </Narrowed>
          <input
            type="search"
            aria-label="Find a beginning"
            placeholder="Find: story, 20 minutes, debate"
            value={sought}
            onChange={(event) => setSought(event.target.value)}
            className="h-[38px] w-[260px] rounded-[6px] border border-line bg-sheet px-3"
          />
        </div>
      </div>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(320px,1fr))] gap-[22px]">
        {found.map((beginning) => {
          const deck = decks.get(beginning.id);
          return (
            <li key={beginning.id}>
              <Card
                beginning={beginning}
                deck={deck}
                onOpen={() => deck && open({ is: 'beginning', beginning, deck })}
              />
            </li>
          );
        })}
      </ul>
      {found.length === 0 && <p className="text-soft">None of ours is like that.</p>}
      <Dialog title="An empty map" isOpen={opened?.is === 'empty'} onClose={() => open(null)}>
        <Named trouble={trouble} isBusy={make.isPending} onBegin={(title) => begin({ title })} />
      </Dialog>
      <Dialog
        title="A written plan"
        description="A list with a dash before each slide; what hangs below a slide is set in."
        isOpen={opened?.is === 'plan'}
        onClose={() => open(null)}
        isWide
      >
        {opened?.is === 'plan' && (
          <PlanForm {...opened} trouble={trouble} isBusy={make.isPending} onBegin={begin} />
        )}
      </Dialog>
      <Dialog title="Like one of mine" isOpen={opened?.is === 'mine'} onClose={() => open(null)}>
        <Mine />
      </Dialog>
      {opened?.is === 'beginning' && (
        <BeginningDialog
          beginning={opened.beginning}
          deck={opened.deck}
          onClose={() => open(null)}
          form={
            <Named
              name={opened.beginning.title}
              trouble={trouble}
              isBusy={make.isPending}
              onBegin={(title) => begin({ title, beginning: opened.beginning.id })}
            />
          }
        />
      )}
    </>
  );
}

function Source(props: { onClick: () => void; children: ReactNode }): ReactElement {
  return (
    <button
      type="button"
      onClick={props.onClick}
      className="min-h-13 rounded-[6px] border border-line bg-sheet px-5 font-head text-[17px] font-semibold text-petrol hover:border-petrol"
    >
      {props.children}
    </button>
  );
}

function Narrowed(props: {
  label: string;
  any: string;
  value: string;
  onChange: (value: string) => void;
  children: (readonly [string, string])[];
}): ReactElement {
  return (
    <select
      aria-label={props.label}
      value={props.value}
      onChange={(event) => props.onChange(event.target.value)}
      className="h-[38px] rounded-[6px] border border-line bg-sheet px-2"
    >
      <option value="">{props.any}</option>
      {props.children.map(([value, label]) => (
        <option key={value} value={value}>
          {label}
        </option>
      ))}
    </select>
  );
}

/** A beginning as a card: its first slide, what it is, and its shape. Its picture comes when its deck has been made. */
function Card(props: {
  beginning: Beginning;
  deck: Deck | undefined;
  onOpen: () => void;
}): ReactElement {
  const { beginning, deck, onOpen } = props;
  const picture = useRef<HTMLDivElement>(null);
  const { width } = useSize(picture);
  const summary = useMemo(() => deck && summarise(deck), [deck]);
  const first = deck?.startSlideId ? deck.slides[deck.startSlideId] : undefined;
  const { minutes, ages } = beginning;
  return (
    <button
      type="button"
      onClick={onOpen}
      disabled={!deck}
      className="flex h-full w-full flex-col overflow-hidden rounded-[6px] border border-line bg-sheet text-left hover:border-petrol"
    >
      <div
        ref={picture}
        aria-hidden
        inert
        className="pointer-events-none aspect-video w-full bg-sand"
      >
        {deck && first && width > 0 && (
          <SlideView slide={first} theme={deck.theme} width={width} label="" />
        )}
      </div>
      <div className="flex flex-1 gap-3 px-4 py-3">
        <div className="flex-1">
          <h3 className="text-[17px]">{beginning.title}</h3>
          <p className="text-[13px]">{beginning.use}</p>
          <p className="mt-1 text-[13px] text-soft">
            {summary &&
              `${count(summary.slides, 'slide')} · ${count(summary.endings, 'ending')} · `}
            {minutes} minutes · age {ages[0]} to {ages[1]}
          </p>
        </div>
        <div className="h-16 w-24 shrink-0">{summary && <DeckMapPicture summary={summary} />}</div>
      </div>
    </button>
  );
}

/** The deck's name, what else is to be said, and the way on. */
function Named(props: {
  name?: string;
  trouble: string | undefined;
  isBusy: boolean;
  /** What there is besides the name cannot be taken as it is. */
  isWrong?: boolean;
  onBegin: (title: string) => void;
  children?: ReactNode;
}): ReactElement {
  const [title, setTitle] = useState(props.name ?? '');
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    props.onBegin(title);
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-4">
      <Field
        label="Name"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        error={props.trouble}
        maxLength={200}
      />
      {props.children}
      <div className="flex justify-end">
        <Button
          type="submit"
          look="main"
          disabled={title.trim() === '' || props.isBusy || props.isWrong}
        >
          Begin
        </Button>
      </div>
    </form>
  );
}

const EXAMPLE = `- The pier: Rain, and a boat.
  - Row out: At sea (ending)
  - Wait: The tide falls (ending)`;

function PlanForm(props: {
  title: string;
  plan: string;
  trouble: string | undefined;
  isBusy: boolean;
  onBegin: (wanted: Wanted) => void;
}): ReactElement {
  const [plan, setPlan] = useState(props.plan);
  const { items, problems } = useMemo(() => parsePlan(plan), [plan]);
  const [wrong] = problems;
  const isLong = plan.length > LONGEST_PLAN;
  return (
    <Named
      name={props.title}
      trouble={props.trouble}
      isBusy={props.isBusy}
      isWrong={items.length === 0 || isLong}
      onBegin={(title) => props.onBegin({ title, plan })}
    >
      <label className="block text-[14px] font-semibold">
        Plan
        <textarea
          value={plan}
          aria-describedby="plan-signs"
          onChange={(event) => setPlan(event.target.value)}
          placeholder={EXAMPLE}
          rows={12}
          className="mt-1 w-full rounded-[6px] border border-line bg-sheet p-3 font-mono text-[14px] font-normal"
        />
      </label>
      <p id="plan-signs" className="text-[13px] text-soft">
        <PlanSigns />
      </p>
      {wrong && plan.trim() !== '' && (
        <p role="alert" className="text-[14px]">
          Line {wrong.line}: {wrong.reason}
        </p>
      )}
      {isLong && <p role="alert">That is too long to begin with. Paste it on an empty map.</p>}
    </Named>
  );
}

/** A copy of a deck of one's own, to change. */
function Mine(): ReactElement {
  const navigate = useNavigate();
  const decks = useDecks('decks');
  const copy = useChange(
    (id: string) => http.post<{ id: string }>(`decks/${id}/copy`, {}),
    ['decks'],
  );
  if (decks.data?.length === 0) return <p className="text-soft">There is no deck of yours yet.</p>;
  return (
    <>
      {copy.error && <p role="alert">{copy.error.message}</p>}
      <ul className="flex flex-col gap-1">
        {(decks.data ?? []).map(({ id, title, summary }) => (
          <li key={id}>
            <button
              type="button"
              disabled={copy.isPending}
              onClick={() =>
                copy.mutate(id, { onSuccess: (made) => void navigate(`/deck/${made.id}/map`) })
              }
              className="flex w-full items-center gap-3 rounded-[6px] px-2 py-1.5 text-left hover:bg-sand"
            >
              <span className="h-12 w-20 shrink-0">
                <DeckMapPicture summary={summary} />
              </span>
              <span className="flex-1">{title}</span>
              <span className="text-[13px] text-soft">{count(summary.slides, 'slide')}</span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
