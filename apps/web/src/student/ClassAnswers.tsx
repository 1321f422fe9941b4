import { wordsOf, type Answer, type QuestionElement, type Tally } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { Suspense, type ReactElement } from 'react';
import { http } from '../api/http';
import { QUESTION_VIEWS } from '../questions/registry';

interface PutUp {
  question: QuestionElement;
  tally: Tally;
  students: number;
  answers: Answer[];
}

/** What the teacher has put up, on the student's own device: the class's answers without names. */
export default function ClassAnswers(props: {
  questionId: string;
  showsKey: boolean;
}): ReactElement | null {
  const { questionId, showsKey } = props;
  const put = useQuery({
    queryKey: ['put-up', questionId, showsKey],
    queryFn: () => http.get<{ putUp: PutUp | null }>('student/put-up'),
    refetchInterval: 2000,
  }).data?.putUp;
  if (!put) return null;
  const { question, tally, students, answers } = put;
  const { TallyView } = QUESTION_VIEWS[question.question.kind];
  return (
    <section
      aria-label="What the class answered"
      className="max-h-[46%] shrink-0 overflow-y-auto border-b border-line bg-paper px-5 py-4"
    >
      <h2 className="mb-2 text-[18px]">The class: {wordsOf(question.text)}</h2>
      <Suspense>
        <TallyView element={question} {...{ tally, students, answers, showsKey }} />
      </Suspense>
    </section>
  );
}
