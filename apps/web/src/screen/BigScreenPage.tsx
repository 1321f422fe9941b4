import {
  DocumentReader,
  leafOnPattern,
  readFolio,
  readLessonState,
  type Deck,
  type Presenting,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { useParams } from 'react-router';
import { useLesson, type Lesson } from '../api/teacher';
import { RequireTeacher } from '../decks/RequireTeacher';
import { JoinCard } from '../desk/JoinCard';
import { CreditsOf } from '../stage/Credits';
import { PlayingSlides } from '../stage/Playing';
import { FittedSlide } from '../stage/SlideView';
import type { OpenDocument } from '../sync/openDocument';
import { useDocument, useReader } from '../sync/useDocument';
import { Centre } from '../ui/Page';

/** What the projector shows: who presents, where the class stands, or how to join. */
export default function BigScreenPage(): ReactElement {
  const { lessonId = '' } = useParams();
  return <RequireTeacher>{() => <Opened lessonId={lessonId} />}</RequireTeacher>;
}

function Opened({ lessonId }: { lessonId: string }): ReactElement {
  const lesson = useLesson(lessonId);
  const state = useDocument(`lesson:${lessonId}`, { hasAwareness: false });
  if (lesson.error || state.state === 'failed')
    return <Centre title="Not yours to open">This lesson is another teacher’s.</Centre>;
  if (!lesson.data || state.state === 'opening') return <Centre>Opening …</Centre>;
  return <Screen lesson={lesson.data} document={state.document} />;
}

function Screen({ lesson, document }: { lesson: Lesson; document: OpenDocument }): ReactElement {
  const state =
    useReader(document.doc, (doc) => new DocumentReader(doc, readLessonState)) ?? lesson.state;
  const { edition } = lesson;
  if (state.isEnded) return <Centre title={lesson.title}>The lesson has ended.</Centre>;
  if (state.presenting) {
    return (
      <PresentedLeaf
        key={state.presenting.folioId}
        presenting={state.presenting}
        edition={edition}
      />
    );
  }
  const slide = state.pace === 'together' ? edition.slides[state.slideId ?? ''] : undefined;
  if (slide) {
    return (
      <main className="h-full bg-[#10191d]">
        <CreditsOf deck={edition}>
          <PlayingSlides deck={edition} here={slide.id}>
            <FittedSlide
              slide={slide}
              theme={edition.theme}
              links={Object.values(edition.links).filter((link) => link.from === slide.id)}
            />
          </PlayingSlides>
        </CreditsOf>
      </main>
    );
  }
  return (
    <main className="grid h-full place-items-center">
      <div>
        <h1 className="mb-8 text-center text-[40px]">{lesson.title}</h1>
        <JoinCard joinCode={lesson.joinCode} isLarge />
      </div>
    </main>
  );
}

function PresentedLeaf({
  presenting,
  edition,
}: {
  presenting: Presenting;
  edition: Deck;
}): ReactElement {
  const opening = useDocument(`folio:${presenting.folioId}`);
  if (opening.state !== 'open') return <Centre>{presenting.who}</Centre>;
  return <Leaf document={opening.document} presenting={presenting} edition={edition} />;
}

function Leaf(props: {
  document: OpenDocument;
  presenting: Presenting;
  edition: Deck;
}): ReactElement {
  const { presenting, edition } = props;
  const folio = useReader(props.document.doc, (doc) => new DocumentReader(doc, readFolio));
  const leaf =
    folio.leaves.find((candidate) => candidate.id === presenting.leafId) ?? folio.leaves[0];
  return (
    <main className="relative h-full bg-[#10191d]" aria-label="Big screen">
      {leaf ? (
        <FittedSlide
          slide={leafOnPattern(leaf, edition.slides[leaf.patternId])}
          theme={edition.theme}
        />
      ) : (
        <Centre title={presenting.who}>No leaf to show yet.</Centre>
      )}
      <p className="absolute bottom-4 left-4 rounded-[6px] bg-paper/95 px-3 py-1.5 text-[18px] font-semibold">
        {presenting.who}
      </p>
    </main>
  );
}
