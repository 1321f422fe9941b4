import { type GivenRole, type Invitation } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange, useTeacher } from '../api/teacher';
import { Button } from '../ui/Button';
import { Centre, Mark } from '../ui/Page';
import { NothingHere } from './NothingHere';

const TO: Record<GivenRole, string> = {
  viewer: 'to look at a deck',
  commenter: 'to comment on a deck',
  coauthor: 'to build a deck together',
};
const ANSWERED: Record<NonNullable<Invitation['answer']>, string> = {
  accepted: 'This invitation was accepted.',
  declined: 'This invitation was declined. If that was a slip, ask for another one.',
  withdrawn: 'This invitation was taken back.',
  over: 'This invitation is over. Ask for another one.',
};

/** What the address in a letter of invitation opens. */
export default function InvitationPage(): ReactElement {
  const { token = '' } = useParams();
  const at = `invitations/${token}`;
  const invitation = useQuery({
    queryKey: ['invitation', token],
    queryFn: () => http.get<Invitation>(at),
    retry: false,
  });
  const teacher = useTeacher();
  const navigate = useNavigate();
  const accept = useChange(() => http.post<{ deckId: string }>(`${at}/accept`), ['decks']);
  const decline = useChange(() => http.post(`${at}/decline`), ['invitation', token]);
  if (invitation.error) return <NothingHere title="No invitation" error={invitation.error} />;
  if (!invitation.data || teacher.isPending) return <Centre>Opening …</Centre>;
  const isOther = teacher.data !== undefined && teacher.data.email !== invitation.data.email;
  const isMine = teacher.data !== undefined && !isOther;
  const { by, title, role, email, answer, deckId } = invitation.data;
  const trouble = accept.error ?? decline.error;
  return (
    <main className="grid min-h-full place-items-center p-6">
      <div className="w-full max-w-[440px]">
        <div className="mb-5 flex items-center gap-3">
          <Mark size={40} />
          <h1 className="text-[24px] leading-tight">
            {by} invites you {TO[role]}
          </h1>
        </div>
        <p className="rounded-[6px] border border-line bg-sheet px-4 py-3 font-head text-[20px] wrap-anywhere">
          {title}
        </p>
        <p className="mt-3 text-soft wrap-anywhere">
          {answer ? ANSWERED[answer] : `The invitation is for ${email}.`}
          {!answer && isOther && <> You are signed in as {teacher.data?.email}.</>}
        </p>
        {trouble && (
          <p
            role="alert"
            className="mt-3 rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-ember-deep"
          >
            {sentenceOf(trouble)}
          </p>
        )}
        <div className="mt-5 flex flex-wrap gap-2">
          {answer === null && isMine && (
            <Button
              look="main"
              size="large"
              disabled={accept.isPending}
              onClick={() =>
                accept.mutate(undefined, {
                  onSuccess: ({ deckId }) => void navigate(`/deck/${deckId}/map`),
                })
              }
            >
              Accept
            </Button>
          )}
          {answer === null && !isMine && (
            <Button
              look="main"
              size="large"
              onClick={() =>
                void navigate(`/sign-in?next=${encodeURIComponent(`/invited/${token}`)}`)
              }
            >
              {isOther ? 'Sign in as somebody else' : 'Sign in to accept'}
            </Button>
          )}
          {answer === null && (
            <Button size="large" disabled={decline.isPending} onClick={() => decline.mutate()}>
              Decline
            </Button>
          )}
          {deckId && (
            <Link
              to={`/deck/${deckId}/map`}
              className="inline-flex min-h-11 items-center text-petrol underline underline-offset-4"
            >
              Open the deck
            </Link>
          )}
        </div>
      </div>
    </main>
  );
}
