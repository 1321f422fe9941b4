import { wordsOf, type ClassTally, type PutUp } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { http } from '../api/http';
import { TallyCard, TallyOf } from '../questions/TallyCard';

/** What the teacher has put up, on the student's own device: on the slide, or in a strip above it. */
export default function ClassAnswers(props: {
  putUp: PutUp;
  isOnSlide: boolean;
}): ReactElement | null {
  const { questionId, showsKey } = props.putUp;
  const put = useQuery({
    queryKey: ['put-up', questionId, showsKey],
    queryFn: () => http.get<{ putUp: ClassTally | null }>('student/put-up'),
    refetchInterval: 2000,
  }).data?.putUp;
  if (!put) return null;
  if (props.isOnSlide) return <TallyCard {...put} showsKey={showsKey} />;
  return (
    <section
      aria-label="What the class answered"
      className="max-h-[46%] shrink-0 overflow-y-auto border-b border-line bg-paper px-5 py-4"
    >
      <h2 className="mb-2 text-[18px]">The class: {wordsOf(put.question.text)}</h2>
      <TallyOf {...put} showsKey={showsKey} />
    </section>
  );
}
