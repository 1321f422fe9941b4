import { entryAt, titleOf, type DeckComment, type SlideId } from '@gobrel/core';
import { X } from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange } from '../api/teacher';
import { useComments, type Thread } from '../deck/Comments';
import { useDeck } from '../deck/DeckContext';
import { useOwnPlace } from '../deck/presence';
import { labelOf } from '../editing/labelOf';
import { tabMemory } from '../sync/memory';
import { Button } from '../ui/Button';
import { Check } from '../ui/controls';
import { useNotices } from '../ui/Notice';
import { Initials } from '../ui/Page';
import { whenAt } from '../ui/when';
import { Sure } from './Sure';

/** All that is said to the deck, that of the open slide first, and what one says oneself. */
export default function CommentsPanel(): ReactElement {
  const { deck } = useDeck();
  const { threads, open } = useComments();
  const place = useOwnPlace();
  const [showsDone, setShowsDone] = useState(false);
  const shown = threads.filter(({ first }) => showsDone || !first.doneAt);
  const here = shown.filter(({ first }) => first.slideId === place.slideId);
  const others = new Map<SlideId, Thread[]>();
  for (const thread of shown) {
    const { slideId } = thread.first;
    if (slideId !== place.slideId) others.set(slideId, [...(others.get(slideId) ?? []), thread]);
  }
  const done = threads.filter(({ first }) => first.doneAt).length;
  return (
    <aside
      aria-label="Comments"
      className="flex w-[340px] max-w-full shrink-0 flex-col border-l border-line bg-paper max-xl:absolute max-xl:inset-y-0 max-xl:right-0 max-xl:z-30"
    >
      <div className="flex items-center gap-2 border-b border-line px-4 py-2">
        <h2 className="flex-1 text-[17px]">Comments</h2>
        {done > 0 && (
          <Check label={`Done, too: ${done}`} isOn={showsDone} onChange={setShowsDone} />
        )}
        <button
          type="button"
          aria-label="Close the comments"
          onClick={() => open(false)}
          className="grid size-9 place-items-center rounded-[6px] hover:bg-sand"
        >
          <X size={18} />
        </button>
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto px-4 py-3">
        {place.slideId ? (
          <Begin key={place.slideId} slideId={place.slideId} inHand={place.selected[0]} />
        ) : (
          <p className="text-[14px] text-soft">Open a slide to say something to it.</p>
        )}
        <List threads={here} />
        {[...others].map(([slideId, list]) => {
          const slide = entryAt(deck.slides, slideId);
          return (
            <section key={slideId} className="mt-5" aria-label={slide ? titleOf(slide) : 'Gone'}>
              <h3 className="text-[14px] font-semibold">
                {slide ? (
                  <SlideLink slideId={slideId} title={titleOf(slide)} />
                ) : (
                  'On a slide that is gone'
                )}
              </h3>
              <List threads={list} />
            </section>
          );
        })}
        {threads.length === 0 && (
          <p className="mt-4 text-[14px] text-soft">
            Nothing is said yet. Students never see what stands here.
          </p>
        )}
      </div>
    </aside>
  );
}

function SlideLink({ slideId, title }: { slideId: SlideId; title: string }): ReactElement {
  const { deckId } = useDeck();
  return (
    <Link
      to={`/deck/${deckId}/slide/${slideId}`}
      className="inline-flex min-h-6 items-center text-petrol underline underline-offset-4"
    >
      {title}
    </Link>
  );
}

const List = ({ threads }: { threads: readonly Thread[] }): ReactElement => (
  <ul className="mt-3 flex flex-col gap-3">
    {threads.map((thread) => (
      <li key={thread.first.id}>
        <OneThread thread={thread} />
      </li>
    ))}
  </ul>
);

/** Says something to the slide, or to what is in hand on it. */
function Begin(props: { slideId: SlideId; inHand: string | undefined }): ReactElement {
  const { deckId, deck } = useDeck();
  const { slideId } = props;
  const thing = entryAt(deck.slides, slideId)?.elements.find(({ id }) => id === props.inHand);
  const at = `decks/${deckId}/comments`;
  return (
    <Say
      label={thing ? `To ${labelOf(thing)}` : 'To this slide'}
      keepAs={`${deckId}:${slideId}`}
      say={(said) => http.post(at, { slideId, ...(thing ? { elementId: thing.id } : {}), ...said })}
    />
  );
}

function OneThread({ thread }: { thread: Thread }): ReactElement {
  const { deckId, deck } = useDeck();
  const { first, answers } = thread;
  const { trouble } = useNotices();
  const at = `decks/${deckId}/comments`;
  const [isAnswering, setIsAnswering] = useState(false);
  const change = useChange((what: () => Promise<unknown>) => what(), ['comments', deckId]);
  const act = (what: () => Promise<unknown>): void =>
    change.mutate(what, { onError: (error) => trouble(sentenceOf(error)) });
  const about = first.elementId
    ? entryAt(deck.slides, first.slideId)?.elements.find(({ id }) => id === first.elementId)
    : undefined;
  return (
    <article
      className={`rounded-[6px] border px-3 py-2 ${first.doneAt ? 'border-line bg-sand' : 'border-[#e4cf95] bg-sheet'}`}
    >
      {first.elementId && (
        <p className="truncate text-[12px] text-soft">
          {about ? labelOf(about) : 'On something that is gone'}
        </p>
      )}
      {[first, ...answers].map((comment) => (
        <OneComment key={comment.id} comment={comment} isAnswered={answers.length > 0} act={act} />
      ))}
      <div className="mt-1 flex gap-1">
        {!isAnswering && (
          <Button size="small" look="quiet" onClick={() => setIsAnswering(true)}>
            Answer
          </Button>
        )}
        <Button
          size="small"
          look="quiet"
          disabled={change.isPending}
          onClick={() => act(() => http.patch(`${at}/${first.id}`, { isDone: !first.doneAt }))}
        >
          {first.doneAt ? 'Not done yet' : 'Done'}
        </Button>
      </div>
      {change.isPaused && <p className="text-[13px] text-soft">It waits for a network.</p>}
      {isAnswering && (
        <Say
          label="Your answer"
          keepAs={`${deckId}:${first.id}`}
          takesFocus
          say={(said) => http.post(at, { slideId: first.slideId, underId: first.id, ...said })}
          onSaid={() => setIsAnswering(false)}
        />
      )}
    </article>
  );
}

function OneComment(props: {
  comment: DeckComment;
  isAnswered: boolean;
  act: (what: () => Promise<unknown>) => void;
}): ReactElement {
  const { comment, act } = props;
  const { deckId, teacher } = useDeck();
  const [doing, setDoing] = useState<'changing' | 'removing' | null>(null);
  const at = `decks/${deckId}/comments/${comment.id}`;
  const isMine = comment.by.id === teacher.id;
  if (doing === 'changing') {
    return (
      <Say
        label="Your words"
        keepAs={`${deckId}:${comment.id}:words`}
        words={comment.words}
        takesFocus
        say={({ words }) => http.patch(at, { words })}
        onSaid={() => setDoing(null)}
        onLeave={() => setDoing(null)}
      />
    );
  }
  return (
    <div className="mt-1.5 flex gap-2">
      <Initials name={comment.by.name} isMuted={!isMine} />
      <div className="min-w-0 flex-1">
        <p className="text-[12px] text-soft">
          {comment.by.name}, {whenAt(comment.at)}
          {comment.changedAt ? ', changed' : ''}
        </p>
        <p className="text-[14px] whitespace-pre-wrap wrap-anywhere">
          <WithNames comment={comment} />
        </p>
        {isMine && doing === null && (
          <span className="-ml-2 flex">
            <Button size="small" look="quiet" onClick={() => setDoing('changing')}>
              Change
            </Button>
            {(comment.underId || !props.isAnswered) && (
              <Button size="small" look="quiet" onClick={() => setDoing('removing')}>
                Remove …
              </Button>
            )}
          </span>
        )}
        {doing === 'removing' && (
          <Sure
            question="It is gone for everybody then."
            yes="Remove it"
            onYes={() => act(() => http.remove(at))}
            onNo={() => setDoing(null)}
          />
        )}
      </div>
    </div>
  );
}

/** The words of a comment, with those whom it calls by name. */
function WithNames({ comment }: { comment: DeckComment }): ReactElement {
  const names = comment.mentions.map(({ name }) => `@${name}`);
  const parts = names.reduce<string[]>(
    (all, name) =>
      all.flatMap((part) =>
        names.includes(part)
          ? [part]
          : part.split(name).flatMap((piece, at) => (at === 0 ? [piece] : [name, piece])),
      ),
    [comment.words],
  );
  return (
    <>
      {parts.map((part, at) =>
        names.includes(part) ? (
          <b key={at} className="text-petrol">
            {part}
          </b>
        ) : (
          part
        ),
      )}
    </>
  );
}

interface Said {
  words: string;
  mentions?: string[];
}

/** What is being written stays on this page until it is said. `@` calls somebody by name. */
function Say(props: {
  label: string;
  keepAs: string;
  words?: string;
  takesFocus?: boolean;
  say: (said: Said) => Promise<unknown>;
  onSaid?: () => void;
  onLeave?: () => void;
}): ReactElement {
  const { deckId, teacher } = useDeck();
  const { people } = useComments();
  const keep = `gobrel:comment:${props.keepAs}`;
  const [words, setWords] = useState(() => tabMemory.get(keep) ?? props.words ?? '');
  const [isWriting, setIsWriting] = useState(props.takesFocus === true || words !== '');
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (props.takesFocus) field.current?.focus();
  }, [props.takesFocus]);
  const write = (now: string): void => {
    setWords(now);
    tabMemory.set(keep, now === '' ? null : now);
  };
  const say = useChange(props.say, ['comments', deckId]);
  const others = useMemo(() => people.filter(({ id }) => id !== teacher.id), [people, teacher]);
  // The name that is being typed, at the end of what is there.
  const [, typed] = /@([\p{L}\p{N} .’'-]{0,40})$/u.exec(words) ?? [];
  const called =
    typed === undefined
      ? []
      : others.filter(
          ({ name }) => name !== typed && name.toLowerCase().startsWith(typed.toLowerCase()),
        );
  const call = (name: string): void => {
    write(`${words.slice(0, words.length - (typed ?? '').length)}${name} `);
    field.current?.focus();
  };
  const submit = (): void => {
    if (words.trim() === '' || say.isPending) return;
    const mentions = others.filter(({ name }) => words.includes(`@${name}`)).map(({ id }) => id);
    say.mutate(
      { words: words.trim(), ...(props.words === undefined ? { mentions } : {}) },
      {
        onSuccess: () => {
          write('');
          setIsWriting(false);
          props.onSaid?.();
        },
      },
    );
  };
  const isShown = isWriting || words !== '';
  return (
    <form
      className="mt-1"
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <label className="block">
        <span className="block truncate text-[12px] text-soft">{props.label}</span>
        <textarea
          ref={field}
          rows={isShown ? 3 : 1}
          maxLength={4000}
          value={words}
          onFocus={() => setIsWriting(true)}
          onChange={({ target }) => write(target.value)}
          onKeyDown={(event) => {
            const isPick = event.key === 'Enter' || event.key === 'Tab';
            if (isPick && called[0] && !event.shiftKey) {
              event.preventDefault();
              call(called[0].name);
            } else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) submit();
          }}
          className="w-full rounded-[6px] border border-line bg-sheet px-2.5 py-1.5 text-[14px]"
        />
      </label>
      {called.length > 0 && (
        <ul aria-label="Call by name" className="flex flex-wrap gap-1">
          {called.slice(0, 6).map(({ id, name }) => (
            <li key={id}>
              <Button size="small" onClick={() => call(name)}>
                @{name}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {isShown && (
        <div className="mt-1 flex items-center gap-1">
          <Button
            type="submit"
            size="small"
            look="main"
            disabled={words.trim() === '' || say.isPending}
          >
            {props.words === undefined ? 'Say it' : 'Keep'}
          </Button>
          {props.onLeave && (
            <Button
              size="small"
              look="quiet"
              onClick={() => {
                write('');
                props.onLeave?.();
              }}
            >
              Leave it
            </Button>
          )}
          <span className="text-[12px] text-soft">
            {say.isPaused
              ? 'It is said as soon as there is a network.'
              : props.words === undefined && others.length > 0
                ? '@ calls somebody by letter'
                : ''}
          </span>
        </div>
      )}
      {say.error && (
        <p role="alert" className="text-[13px] text-ember-deep">
          {sentenceOf(say.error)}
        </p>
      )}
    </form>
  );
}
