import type { PairedScreen } from '@gobrel/core';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { clockIs } from '../api/clock';
import { http } from '../api/http';
import { Centre } from '../ui/Page';
import { AnswerView, BigScreen, LeafView, PutUpView } from './views';
import { WhereTheClassIs } from './WhereTheClassIs';

/** Milliseconds between two looks at what is to be shown. */
const LOOK = 1000;

/** A device that is nothing but a big screen: it shows a code until a teacher types that at a desk. */
export default function PairedScreenPage(): ReactElement {
  const queries = useQueryClient();
  const mine = useQuery({
    queryKey: ['screen'],
    queryFn: async (): Promise<PairedScreen> => {
      const known = queries.getQueryData<PairedScreen>(['screen'])?.lesson;
      const has = known?.edition ? `?has=${known.state.renewed}` : '';
      const shown = await http.get<PairedScreen>(`screens/mine${has}`);
      // Paired with another lesson meanwhile, it knows nothing of that.
      if (shown.lesson && known?.joinCode === shown.lesson.joinCode)
        shown.lesson.edition ??= known.edition;
      if (shown.lesson) clockIs(shown.lesson.now);
      if (shown.isKnown) return shown;
      // Not a screen yet, or not any more: it becomes one.
      return { isKnown: true, lesson: null, ...(await http.post<{ code: string }>('screens')) };
    },
    refetchInterval: LOOK,
    refetchIntervalInBackground: true,
  });
  const { lesson, code } = mine.data ?? { lesson: null, code: null };
  if (!lesson?.edition) {
    return (
      <main className="grid h-full place-items-center text-center">
        <div>
          <h1 className="text-[28px] font-normal text-soft">
            At the desk, open Big screen and type
          </h1>
          <p className="mt-4 font-head text-[140px] leading-none font-semibold tracking-[0.12em]">
            {code ?? '…'}
          </p>
        </div>
      </main>
    );
  }
  const { state, edition, shows, votes, title, joinCode } = { ...lesson, edition: lesson.edition };
  if (state.isEnded) return <Centre title={title}>The lesson has ended.</Centre>;
  return (
    <BigScreen state={state}>
      {shows?.kind === 'tally' ? (
        <PutUpView known={shows} putUp={state.putUp} edition={edition} />
      ) : shows?.kind === 'answer' ? (
        <AnswerView {...shows} />
      ) : shows?.kind === 'leaf' ? (
        <LeafView {...shows} theme={edition.theme} />
      ) : (
        <WhereTheClassIs
          title={title}
          joinCode={joinCode}
          edition={edition}
          state={state}
          votes={votes}
        />
      )}
    </BigScreen>
  );
}
