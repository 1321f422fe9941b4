import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { http, sentenceOf } from '../api/http';
import { useChange, useTeacher } from '../api/teacher';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';

/** A copy of one's own, for those who have an account. */
export default function TakeCopy({ code }: { code: string }): ReactElement {
  const teacher = useTeacher();
  const navigate = useNavigate();
  const { trouble } = useNotices();
  const take = useChange(() => http.post<{ id: string }>(`published/${code}/copies`), ['decks']);
  const begin = (): void => {
    if (!teacher.data) {
      void navigate(`/sign-in?next=${encodeURIComponent(`/at/${code}`)}`);
      return;
    }
    take.mutate(undefined, {
      onSuccess: ({ id }) => void navigate(`/deck/${id}/map`),
      onError: (error) => trouble(sentenceOf(error)),
    });
  };
  return (
    <Button
      look="quiet"
      size="large"
      disabled={take.isPending || teacher.isPending}
      onClick={begin}
    >
      {take.isPending ? 'Copying …' : 'Take a copy'}
    </Button>
  );
}
