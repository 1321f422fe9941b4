import { wordsOf, type ClassTally } from '@gobrel/core';
import { Suspense, useEffect, useRef, useState, type ReactElement } from 'react';
import { QUESTION_VIEWS } from './registry';

/** The tally of a question without names. */
export function TallyOf(props: ClassTally & { showsKey: boolean }): ReactElement {
  const { question, tally, before, students, answers, showsKey } = props;
  const { TallyView } = QUESTION_VIEWS[question.question.kind];
  return (
    <Suspense>
      <TallyView
        element={question}
        tally={tally}
        students={students}
        answers={answers}
        showsKey={showsKey}
        before={before ?? undefined}
      />
    </Suspense>
  );
}

/** How much larger a tally stands on a slide than at a desk: slide units for each of its CSS pixels; the first that fits. */
const ON_SLIDE = [1.6, 1.4, 1.2, 1] as const;

/** The tally in the place where its question stands on the slide, in slide units. */
export function TallyCard(props: ClassTally & { showsKey: boolean }): ReactElement {
  const card = useRef<HTMLElement>(null);
  const content = useRef<HTMLDivElement>(null);
  const [step, setStep] = useState(0);
  useEffect(() => {
    const observer = new ResizeObserver(() => {
      const { scrollHeight = 0, clientHeight = 0 } = card.current ?? {};
      if (scrollHeight > clientHeight + 1) setStep((now) => Math.min(now + 1, ON_SLIDE.length - 1));
    });
    if (content.current) observer.observe(content.current);
    return () => observer.disconnect();
  }, []);
  return (
    <section
      ref={card}
      aria-label="What the class answered"
      className="h-full w-full overflow-y-auto rounded-[12px] border border-line bg-paper"
    >
      <div ref={content} className="p-4" style={{ zoom: ON_SLIDE[step] }}>
        <h2 className="mb-2 text-[16px] leading-tight">{wordsOf(props.question.text)}</h2>
        <TallyOf {...props} />
      </div>
    </section>
  );
}
