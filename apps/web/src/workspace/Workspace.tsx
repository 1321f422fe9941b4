import { Suspense, useEffect, useState, type ReactElement } from 'react';
import {
  Navigate,
  NavLink,
  Route,
  Routes,
  useLocation,
  useMatch,
  useNavigate,
  useParams,
} from 'react-router';
import { renameDeck, type Teacher } from '@gobrel/core';
import { MessageSquare } from 'lucide-react';
import { RequireTeacher } from '../ui/RequireTeacher';
import { CommentsProvider, useComments } from '../deck/Comments';
import { CheckProvider, useCheck } from '../deck/CheckProvider';
import { useDocument } from '../sync/useDocument';
import { Button } from '../ui/Button';
import { NotYours } from '../ui/NotYours';
import { Centre, Header } from '../ui/Page';
import { DeckProvider, useDeck } from '../deck/DeckContext';
import { Here } from './Here';
import { takesBackLetters } from '../ui/isTyping';
import { isNamed, useTyped } from '../ui/useTyped';
import { UndoRedo } from './UndoRedo';
import { SavedLabel } from '../ui/SavedLabel';
import { part } from '../offline/part';

const BRING = {
  map: () => import('../map/MapView'),
  slide: () => import('../slide/SlideEditor'),
  check: () => import('../check/CheckView'),
  lessons: () => import('../lessons/LessonsView'),
};
const MapView = part(BRING.map);
const SlideEditor = part(BRING.slide);
const CheckView = part(BRING.check);
const LessonsView = part(BRING.lessons);
const CommentsPanel = part(() => import('./CommentsPanel'));
const ShareDialog = part(() => import('./ShareDialog'));

/** The view that an address asks for is fetched along with the deck, not after it. */
function bringAlong(path: string): void {
  const [, , , view] = path.split('/');
  if (view && Object.hasOwn(BRING, view)) void BRING[view as keyof typeof BRING]();
}

export default function Workspace(): ReactElement {
  const { deckId = '' } = useParams();
  const { pathname } = useLocation();
  useState(() => bringAlong(pathname));
  return (
    <RequireTeacher>
      {(teacher) => <OpenedDeck key={deckId} deckId={deckId} teacher={teacher} />}
    </RequireTeacher>
  );
}

function OpenedDeck({ deckId, teacher }: { deckId: string; teacher: Teacher }): ReactElement {
  // A letter leads to what was said.
  const [isAsked] = useState(() => new URLSearchParams(location.search).has('comments'));
  const opening = useDocument(`deck:${deckId}`, { keepAs: `gobrel:${teacher.id}:deck:${deckId}` });
  if (opening.state === 'opening') return <Centre>Opening the deck …</Centre>;
  if (opening.state === 'failed') {
    return (
      <NotYours>This deck is not there any more, or it has not been shared with you.</NotYours>
    );
  }
  return (
    <DeckProvider deckId={deckId} teacher={teacher} document={opening.document}>
      <CheckProvider>
        <CommentsProvider isOpenAtFirst={isAsked}>
          <Views />
        </CommentsProvider>
      </CheckProvider>
    </DeckProvider>
  );
}

function Views(): ReactElement {
  const { deckId, history, document, isOpen } = useDeck();
  const { report } = useCheck();
  const comments = useComments();
  const [isSharing, setIsSharing] = useState(false);
  const navigate = useNavigate();
  // A show starts from the slide one is on.
  const here = useMatch('/deck/:deckId/slide/:slideId')?.params.slideId;
  const findings = report?.findings.length ?? 0;

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (!isOpen || !(event.ctrlKey || event.metaKey) || event.altKey) return;
      if (takesBackLetters(event)) return;
      const key = event.key.toLowerCase();
      if (key === 'z' && !event.shiftKey) history.undo();
      else if (key === 'y' || (key === 'z' && event.shiftKey)) history.redo();
      else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [history, isOpen]);

  const tab = ({ isActive }: { isActive: boolean }): string =>
    `flex h-12 items-center gap-1.5 border-b-2 px-2.5 text-[14px] ${isActive ? 'border-petrol font-semibold text-petrol' : 'border-transparent text-soft hover:text-ink'}`;
  return (
    <div className="flex h-full flex-col">
      <Header
        left={
          <>
            <DeckName />
            <nav aria-label="Views" className="ml-2 flex self-stretch">
              <NavLink to={`/deck/${deckId}/map`} className={tab}>
                Map
              </NavLink>
              <NavLink to={`/deck/${deckId}/slide`} className={tab}>
                Slide
              </NavLink>
              <NavLink to={`/deck/${deckId}/check`} className={tab}>
                Check
                {findings > 0 && (
                  <span className="rounded-full border border-[#e4cf95] bg-brass-mist px-1.5 text-[12px] leading-[18px] text-brass-deep">
                    {findings}
                  </span>
                )}
              </NavLink>
              {isOpen && (
                <NavLink to={`/deck/${deckId}/lessons`} className={tab}>
                  Lessons
                </NavLink>
              )}
            </nav>
          </>
        }
        right={
          <>
            {isOpen && <UndoRedo />}
            <Here />
            <SavedLabel document={document} />
            {comments.mayComment && <CommentsButton />}
            <Button
              onClick={() => void navigate(`/deck/${deckId}/show${here ? `?from=${here}` : ''}`)}
            >
              Show
            </Button>
            {isOpen && (
              <Button look="main" onClick={() => setIsSharing(true)}>
                Share
              </Button>
            )}
          </>
        }
      />
      <div className="relative flex min-h-0 flex-1">
        <div className="min-w-0 flex-1">
          <Suspense fallback={<Centre>Opening …</Centre>}>
            <Routes>
              <Route path="map" element={<MapView />} />
              <Route path="slide/:slideId?" element={<SlideEditor />} />
              <Route path="check" element={<CheckView />} />
              {isOpen && <Route path="lessons" element={<LessonsView />} />}
              <Route path="*" element={<Navigate to={`/deck/${deckId}/map`} replace />} />
            </Routes>
          </Suspense>
        </div>
        {comments.isOpen && (
          <Suspense>
            <CommentsPanel />
          </Suspense>
        )}
      </div>
      {isSharing && (
        <Suspense>
          <ShareDialog onClose={() => setIsSharing(false)} />
        </Suspense>
      )}
    </div>
  );
}

/** How many threads are not done yet; opens and closes them. */
function CommentsButton(): ReactElement {
  const { threads, isOpen, open } = useComments();
  const count = threads.filter(({ first }) => !first.doneAt).length;
  return (
    <button
      type="button"
      aria-label={`Comments${count > 0 ? `: ${count}` : ''}`}
      aria-pressed={isOpen}
      title="Comments"
      onClick={() => open(!isOpen)}
      className={`flex h-9 items-center gap-1 rounded-[6px] px-1.5 text-[13px] hover:bg-sand ${isOpen ? 'bg-petrol-mist text-petrol' : 'text-soft'}`}
    >
      <MessageSquare size={18} aria-hidden />
      {count > 0 && <span className="font-semibold text-brass-deep">{count}</span>}
    </button>
  );
}

function DeckName(): ReactElement {
  const { deck, run, isOpen } = useDeck();
  const line = useTyped(deck.title, (title) => run(renameDeck, title), isNamed);
  return (
    <input
      aria-label="Name of the deck"
      {...line}
      readOnly={!isOpen}
      style={{ width: `${Math.min(34, Math.max(8, line.value.length + 1))}ch` }}
      className="h-9 max-w-[30vw] max-sm:max-w-[75vw] rounded-[6px] border border-transparent bg-transparent px-1.5 font-head text-[17px] font-semibold hover:border-line focus:bg-sheet"
    />
  );
}
