import type { CopyOffer } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { useNavigate, useParams } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange, useTeacher } from '../api/teacher';
import { DeckMapPicture } from '../cards/DeckMapPicture';
import { Button } from '../ui/Button';
import { Centre, Mark } from '../ui/Page';
import { NothingHere } from './NothingHere';
import { count } from '../ui/when';

/** A deck of which one may take a copy of one’s own. */
export default function CopyPage(): ReactElement {
  const { token = '' } = useParams();
  const offer = useQuery({
    queryKey: ['copy', token],
    queryFn: () => http.get<CopyOffer>(`copies/${token}`),
    retry: false,
  });
  const teacher = useTeacher();
  const navigate = useNavigate();
  const take = useChange(() => http.post<{ id: string }>(`copies/${token}`), ['decks']);
  if (offer.error) return <NothingHere title="No deck here" error={offer.error} />;
  if (!offer.data || teacher.isPending) return <Centre>Opening …</Centre>;
  const { title, by, summary } = offer.data;
  const begin = (): void => {
    if (!teacher.data) {
      void navigate(`/sign-in?next=${encodeURIComponent(`/copy/${token}`)}`);
      return;
    }
    take.mutate(undefined, { onSuccess: ({ id }) => void navigate(`/deck/${id}/map`) });
  };
  return (
    <main className="grid min-h-full place-items-center p-6">
      <div className="w-full max-w-[440px]">
        <div className="mb-5 flex items-center gap-3">
          <Mark size={40} />
          <h1 className="text-[24px] leading-tight">{by} gives you a deck</h1>
        </div>
        <div className="overflow-hidden rounded-[6px] border border-line bg-sheet">
          <div className="h-[170px] bg-[#f3eee3] p-2">
            <DeckMapPicture summary={summary} />
          </div>
          <div className="border-t border-line px-4 py-3">
            <h2 className="text-[20px] wrap-anywhere">{title}</h2>
            <p className="text-[14px] text-soft">
              {count(summary.slides, 'slide')}, {count(summary.endings, 'ending')},{' '}
              {count(summary.questions, 'question')}
            </p>
          </div>
        </div>
        <p className="mt-3 text-soft">
          The copy is yours alone: with its pictures, sounds and theme, and without anybody’s
          lessons.
        </p>
        {take.error && (
          <p
            role="alert"
            className="mt-3 rounded-[6px] border border-[#e6c4b6] bg-ember-mist px-3 py-2 text-ember-deep"
          >
            {sentenceOf(take.error)}
          </p>
        )}
        <Button look="main" size="large" className="mt-5" disabled={take.isPending} onClick={begin}>
          {take.isPending ? 'Copying …' : teacher.data ? 'Take a copy' : 'Sign in to take a copy'}
        </Button>
      </div>
    </main>
  );
}
