import type { DeckCard, Role, Teacher } from '@gobrel/core';
import { DropdownMenu } from 'radix-ui';
import { useQueryClient } from '@tanstack/react-query';
import { MoreHorizontal } from 'lucide-react';
import { Suspense, useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange, useDecks } from '../api/teacher';
import { forgetKept } from '../sync/kept.js';
import { forgetSocket } from '../sync/pageSocket';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useNotices } from '../ui/Notice';
import { Badge, Header, Initials } from '../ui/Page';
import { DeckMapPicture } from '../cards/DeckMapPicture';
import { RequireTeacher } from '../ui/RequireTeacher';
import { count, when } from '../ui/when';
import { part } from '../offline/part';

/** With the decks of our beginnings, which nobody needs who has some. */
const Beginnings = part(async () => ({ default: (await import('./NewDeckPage')).Beginnings }));

export default function DecksPage(): ReactElement {
  return <RequireTeacher>{(teacher) => <Decks teacher={teacher} />}</RequireTeacher>;
}

function Decks({ teacher }: { teacher: Teacher }): ReactElement {
  const [isTrash, setIsTrash] = useState(false);
  const [sought, setSought] = useState('');
  const navigate = useNavigate();
  const decks = useDecks(isTrash ? 'trash' : 'decks');
  const found = (decks.data ?? []).filter((deck) =>
    deck.title.toLowerCase().includes(sought.trim().toLowerCase()),
  );
  const isFirst = !isTrash && decks.data?.length === 0;
  const running = (decks.data ?? []).filter((deck) => deck.lessonNow !== null).length;
  return (
    <div className="flex h-full flex-col">
      <Header
        left={<span className="font-head text-[17px] font-semibold">Gobrel</span>}
        right={<Account teacher={teacher} />}
      />
      <main className="flex-1 overflow-auto px-6 py-7 md:px-12">
        <div className="mb-6 flex flex-wrap items-center gap-x-4 gap-y-3">
          <h1 className="text-[30px]">
            {isTrash ? 'Trash' : isFirst ? 'Your first deck' : 'Decks'}
          </h1>
          {decks.data && !isFirst && (
            <p className="text-soft">
              {count(decks.data.length, 'deck')}
              {running > 0 && `, ${count(running, 'lesson')} running`}
            </p>
          )}
          <div className="ml-auto flex flex-wrap items-center gap-3">
            <Button look="quiet" onClick={() => setIsTrash(!isTrash)}>
              {isTrash ? 'Back to decks' : 'Trash'}
            </Button>
            {!isFirst && (
              <input
                type="search"
                aria-label="Find a deck"
                placeholder="Find a deck"
                value={sought}
                onChange={(event) => setSought(event.target.value)}
                className="h-[38px] w-[260px] rounded-[6px] border border-line bg-sheet px-3"
              />
            )}
            {!isTrash && !isFirst && (
              <Button look="main" onClick={() => void navigate('/new')}>
                New deck
              </Button>
            )}
          </div>
        </div>
        {decks.error && <p role="alert">{decks.error.message}</p>}
        {decks.isPending && <p className="text-soft">Opening …</p>}
        {isFirst && (
          <Suspense fallback={<p className="text-soft">Opening …</p>}>
            <Beginnings isFirst />
          </Suspense>
        )}
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(300px,1fr))] gap-[22px]">
          {found.map((deck) => (
            <li key={deck.id}>
              <Card deck={deck} />
            </li>
          ))}
          {!isTrash && !isFirst && !sought && decks.data && (
            <li>
              <button
                type="button"
                onClick={() => void navigate('/new')}
                className="grid h-full min-h-[230px] w-full place-items-center rounded-[6px] border border-dashed border-[#c9c0a8] hover:border-petrol"
              >
                <span>
                  <span className="block font-head text-[17px] font-semibold text-petrol">
                    Begin another
                  </span>
                  <span className="text-[14px] text-soft">
                    an empty map, a plan, or one of ours
                  </span>
                </span>
              </button>
            </li>
          )}
        </ul>
        {decks.data && found.length === 0 && (sought || isTrash) && (
          <p className="text-soft">
            {sought ? `No deck is called “${sought}”.` : 'The trash is empty.'}
          </p>
        )}
      </main>
    </div>
  );
}

const BADGES: Partial<Record<Role, string>> = {
  coauthor: 'shared with you',
  commenter: 'to comment on',
  viewer: 'to look at',
};

function Card({ deck }: { deck: DeckCard }): ReactElement {
  const notices = useNotices();
  const change = useChange((run: () => Promise<unknown>) => run(), ['decks']);
  const act = (run: () => Promise<unknown>, said: string): void =>
    change.mutate(run, {
      onSuccess: () => notices.tell(said),
      onError: (error) => notices.trouble(sentenceOf(error)),
    });
  const { summary } = deck;
  const from = deck.origins.at(-1);
  const [isLeaving, setIsLeaving] = useState(false);
  return (
    <article className="relative overflow-hidden rounded-[6px] border border-line bg-sheet focus-within:border-petrol hover:border-petrol">
      <div className="h-[150px] bg-[#f3eee3] p-2">
        <DeckMapPicture summary={summary} />
      </div>
      <div className="border-t border-line px-4 py-3">
        <div className="flex items-start">
          <h2 className="flex-1 text-[18px]">
            {deck.trashedAt ? (
              deck.title
            ) : (
              <Link to={`/deck/${deck.id}/map`} className="after:absolute after:inset-0">
                {deck.title}
              </Link>
            )}
          </h2>
          {deck.trashedAt ? (
            <Button
              size="small"
              onClick={() =>
                act(() => http.post(`decks/${deck.id}/restore`), `“${deck.title}” is back.`)
              }
            >
              Restore
            </Button>
          ) : (
            <CardMenu deck={deck} onAct={act} onLeave={() => setIsLeaving(true)} />
          )}
        </div>
        {from && (
          <p className="truncate text-[13px] text-soft">
            after “{from.title}” by {from.by}
          </p>
        )}
        <div className="mt-2 flex items-center gap-2 text-[13px] text-soft">
          {deck.lessonNow !== null ? (
            <Badge tone="brass">lesson now · {deck.lessonNow}</Badge>
          ) : (
            <Badge>{BADGES[deck.role] ?? (deck.isPublished ? 'open by address' : 'private')}</Badge>
          )}
          <span>
            {count(summary.slides, 'slide')}
            {summary.endings > 0
              ? `, ${count(summary.endings, 'ending')}`
              : summary.questions > 0
                ? `, ${count(summary.questions, 'question')}`
                : ''}
          </span>
          <span className="ml-auto">{when(deck.changedAt)}</span>
        </div>
      </div>
      <Dialog
        title={`Leave “${deck.title}”?`}
        description="You will not have this deck any more, unless you are invited again."
        isOpen={isLeaving}
        onClose={() => setIsLeaving(false)}
      >
        <Button
          look="ember"
          onClick={() =>
            act(() => http.remove(`decks/${deck.id}/membership`), `You have left “${deck.title}”.`)
          }
        >
          Leave the deck
        </Button>
      </Dialog>
    </article>
  );
}

function CardMenu({
  deck,
  onAct,
  onLeave,
}: {
  deck: DeckCard;
  onLeave: () => void;
  onAct: (run: () => Promise<unknown>, said: string) => void;
}): ReactElement {
  const line =
    'block w-full cursor-pointer rounded-[4px] px-3 py-2 text-left outline-none data-[highlighted]:bg-petrol-mist';
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={`More for ${deck.title}`}
        className="relative z-10 -mr-2 -mt-1 grid size-8 place-items-center rounded-[6px] hover:bg-sand"
      >
        <MoreHorizontal size={18} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-30 min-w-[180px] rounded-[6px] border border-line bg-sheet p-1"
        >
          <DropdownMenu.Item
            className={line}
            onSelect={() =>
              onAct(() => http.post(`decks/${deck.id}/copy`), `A copy of “${deck.title}” is made.`)
            }
          >
            Duplicate
          </DropdownMenu.Item>
          {deck.role !== 'owner' && (
            <DropdownMenu.Item className={line} onSelect={onLeave}>
              Leave …
            </DropdownMenu.Item>
          )}
          {deck.role === 'owner' && (
            <DropdownMenu.Item
              className={line}
              onSelect={() =>
                onAct(() => http.remove(`decks/${deck.id}`), `“${deck.title}” is in the trash.`)
              }
            >
              Move to trash
            </DropdownMenu.Item>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Account({ teacher }: { teacher: Teacher }): ReactElement {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const signOut = async (): Promise<void> => {
    await http.remove('session');
    forgetSocket();
    await forgetKept();
    queries.clear();
    await navigate('/sign-in');
  };
  return (
    <>
      <Link
        to="/classes"
        className="inline-flex min-h-8 items-center text-[14px] hover:text-petrol"
      >
        Classes
      </Link>
      <button
        type="button"
        className="min-h-8 text-[14px] hover:text-petrol"
        onClick={() => void signOut()}
      >
        Sign out
      </button>
      <Link to="/account" aria-label={`Your account: ${teacher.name}`} className="rounded-full">
        <Initials name={teacher.name} />
      </Link>
    </>
  );
}
