import type { ReactElement } from 'react';
import { Link, Route, Routes } from 'react-router';
import { part } from './offline/part';
import { Centre } from './ui/Page';

const AccountPage = part(() => import('./account/AccountPage'));
const PasswordPage = part(() => import('./account/PasswordPage'));
const DecksPage = part(() => import('./decks/DecksPage'));
const NewDeckPage = part(() => import('./decks/NewDeckPage'));
const SignInPage = part(() => import('./decks/SignInPage'));
const ClassesPage = part(() => import('./classes/ClassesPage'));
const Workspace = part(() => import('./workspace/Workspace'));
const ShowPage = part(() => import('./show/ShowPage'));
const PresenterPage = part(() => import('./show/PresenterPage'));
const FollowPage = part(() => import('./following/FollowPage'));
const RemotePage = part(() => import('./following/RemotePage'));
const DeskPage = part(() => import('./desk/DeskPage'));
const ResultsPage = part(() => import('./results/ResultsPage'));
const PairedScreenPage = part(() => import('./screen/PairedScreenPage'));
const BigScreenPage = part(() => import('./screen/BigScreenPage'));
const InvitationPage = part(() => import('./sharing/InvitationPage'));
const CopyPage = part(() => import('./sharing/CopyPage'));
const OutboxPage = part(() => import('./sharing/OutboxPage'));

/** All that students and readers do not open. */
export default function Teaching(): ReactElement {
  return (
    <Routes>
      <Route path="/" element={<DecksPage />} />
      <Route path="/new" element={<NewDeckPage />} />
      <Route path="/sign-in" element={<SignInPage />} />
      <Route path="/account" element={<AccountPage />} />
      <Route path="/password" element={<PasswordPage />} />
      <Route path="/password/:token" element={<PasswordPage />} />
      <Route path="/classes" element={<ClassesPage />} />
      <Route path="/deck/:deckId/show" element={<ShowPage />} />
      <Route path="/deck/:deckId/presenter" element={<PresenterPage />} />
      <Route path="/follow" element={<FollowPage />} />
      <Route path="/follow/:code" element={<FollowPage />} />
      <Route path="/remote" element={<RemotePage />} />
      <Route path="/remote/:code" element={<RemotePage />} />
      <Route path="/deck/:deckId/*" element={<Workspace />} />
      <Route path="/desk/:lessonId" element={<DeskPage />} />
      <Route path="/results/:lessonId" element={<ResultsPage />} />
      <Route path="/screen" element={<PairedScreenPage />} />
      <Route path="/screen/:lessonId" element={<BigScreenPage />} />
      <Route path="/invited/:token" element={<InvitationPage />} />
      <Route path="/copy/:token" element={<CopyPage />} />
      <Route path="/stand-ins/outbox" element={<OutboxPage />} />
      <Route
        path="*"
        element={
          <Centre title="Nothing here">
            There is no page at this address.{' '}
            <Link to="/" className="underline">
              To your decks
            </Link>{' '}
            or{' '}
            <Link to="/join" className="underline">
              join a lesson
            </Link>
            .
          </Centre>
        }
      />
    </Routes>
  );
}
