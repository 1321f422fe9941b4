import {
  addElement,
  addLeaf,
  createHistory,
  elementWords,
  gateOf,
  leafOnPattern,
  leafTitle,
  plain,
  promptIn,
  removeLeaf,
  setElement,
  setText,
  STAGE,
  wordsOf,
  type Deck,
  type Folio,
  type Leaf,
  type Link,
  type OthersLeaf,
  type RunCommand,
  type SlideElement,
  type SlideId,
  type TextElement,
  titleOf,
} from '@gobrel/core';
import { runner } from '../ui/runner';
import { useMemo, useRef, useState, type ReactElement } from 'react';
import { ySyncPluginKey } from 'y-prosemirror';
import type * as Y from 'yjs';
import { uploadPicture } from '../api/assets';
import { serverNow } from '../api/clock';
import { useQuery } from '@tanstack/react-query';
import { http, sentenceOf } from '../api/http';
import type { StudentLesson } from '../api/keptLesson';
import { pictureElement } from '../elements/picture/making';
import { EditingStage } from '../editing/EditingStage';
import { useStageView } from '../editing/useStageView';
import { useStageEdit } from '../editing/useStageEdit';
import { SlideView } from '../stage/SlideView';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { useSize } from '../ui/useSize';
import { useIsNarrow } from '../walking/useIsNarrow';

/** Of a leaf its student is the author, until the folio is handed in. */
const OPEN = gateOf(['owner', 'student']);
const CLOSED = gateOf([]);

/** A student's own leaves: make, open, change, take out. */
export default function LeavesPanel(props: {
  lesson: StudentLesson;
  doc: Y.Doc;
  folio: Folio;
  isClosed: boolean;
  onClose: () => void;
}): ReactElement {
  const { lesson, doc, folio, isClosed } = props;
  const { edition } = lesson;
  const { trouble } = useNotices();
  const [openId, setOpenId] = useState<SlideId | null>(null);
  const patterns = Object.values(edition.slides).filter((slide) => slide.isPattern);
  const open = folio.leaves.find((leaf) => leaf.id === openId);
  const run = runner(doc, isClosed ? CLOSED : OPEN, trouble);
  if (open) {
    return (
      <LeafEditor
        key={open.id}
        leaf={open}
        edition={edition}
        doc={doc}
        isClosed={isClosed}
        run={run}
        onClose={() => setOpenId(null)}
      />
    );
  }
  return (
    <main className="h-full overflow-y-auto p-5">
      <h1 className="text-[24px]">My leaves</h1>
      <p className="mt-1 text-soft">
        Your return code is <b className="tracking-[0.1em] text-ink">{lesson.returnCode}</b>: with
        it and the join code you come back on any device.
      </p>
      <ul className="mt-5 flex flex-wrap gap-4">
        {folio.leaves.map((leaf) => (
          <li key={leaf.id} className="w-[240px]">
            <button
              type="button"
              onClick={() => setOpenId(leaf.id)}
              className="block w-full rounded-[6px] border border-line bg-sheet p-1.5 text-left hover:border-petrol"
            >
              <span className="pointer-events-none block overflow-hidden" aria-hidden inert>
                <SlideView
                  slide={leafOnPattern(leaf, edition.slides[leaf.patternId])}
                  theme={edition.theme}
                  width={226}
                />
              </span>
              <span className="mt-1 block truncate font-semibold">{leafTitle(leaf)}</span>
            </button>
            {!isClosed && (
              <Button size="small" look="quiet" onClick={() => run(removeLeaf, leaf.id)}>
                Take out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {!isClosed && (
        <ul className="mt-5 flex flex-wrap gap-3">
          {patterns.map((pattern) => (
            <li key={pattern.id}>
              <Button
                size="large"
                look="ember"
                onClick={() => {
                  const added = run(addLeaf, pattern, serverNow());
                  if (added) setOpenId(added.leafId);
                }}
              >
                Add a leaf: {titleOf(pattern)}
              </Button>
            </li>
          ))}
        </ul>
      )}
      {lesson.seesLeaves && <LeavesOfOthers theme={edition.theme} />}
      {patterns.length === 0 && <p className="mt-5">This lesson has no leaves to make.</p>}
    </main>
  );
}

/** What the others have made, asked for anew now and then. */
function LeavesOfOthers({ theme }: { theme: Deck['theme'] }): ReactElement | null {
  const others = useQuery({
    queryKey: ['leaves'],
    queryFn: () => http.get<OthersLeaf[]>('student/leaves'),
    refetchInterval: 10_000,
  });
  if (!others.data || others.data.length === 0) return null;
  return (
    <section className="mt-8">
      <h2 className="text-[20px]">Leaves of the others</h2>
      <ul className="mt-3 flex flex-wrap gap-4">
        {others.data.map(({ name, slide }) => (
          <li key={slide.id} className="w-[240px] rounded-[6px] border border-line bg-sheet p-1.5">
            <SlideView slide={slide} theme={theme} width={226} />
            <p className="mt-1 truncate">{name}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

const NO_LINKS: readonly Link[] = [];

/** The first text on a leaf of the style of an element, if that is a text. */
const firstText = ({ elements }: Leaf, of: SlideElement): TextElement | undefined =>
  elements.find(
    (element): element is TextElement =>
      element.kind === 'text' && of.kind === 'text' && element.style === of.style,
  );

function LeafEditor(props: {
  leaf: Leaf;
  edition: Deck;
  doc: Y.Doc;
  isClosed: boolean;
  run: RunCommand;
  onClose: () => void;
}): ReactElement {
  const { leaf, edition, doc, run } = props;
  const edit = useStageEdit(leaf);
  const isNarrow = useIsNarrow();
  const frame = useRef<HTMLDivElement>(null);
  const file = useRef<HTMLInputElement>(null);
  const { trouble } = useNotices();
  const space = useSize(frame);
  const desk = useRef<HTMLDivElement>(null);
  const room = useRef<HTMLDivElement>(null);
  const control = useStageView(room, 0);
  // On a phone that is held across, what is written stands beside the picture.
  const isAcross = isNarrow && space.width >= 640 && window.innerWidth > window.innerHeight;
  const most = isNarrow
    ? space.width / (isAcross ? 2 : 1)
    : (space.height * STAGE.width) / STAGE.height;
  const width = Math.floor(Math.min(space.width, most));
  const pattern = edition.slides[leaf.patternId];
  const drawn = useMemo(() => leafOnPattern(leaf, pattern), [leaf, pattern]);
  // The leaf's own title and first text stand where the pattern's layout has a place for them.
  const promptOf = (element: SlideElement): string | undefined => {
    const first = firstText(leaf, element);
    if (!pattern || first?.id !== element.id) return undefined;
    return promptIn(edition, pattern, first.style === 'title' ? 'title' : 'body');
  };
  const [history] = useState(() => createHistory(doc, [ySyncPluginKey]));
  const addPicture = async (picked: File | undefined): Promise<void> => {
    if (!picked) return;
    try {
      run(addElement, leaf.id, pictureElement(leaf, await uploadPicture(picked), false));
    } catch (error) {
      trouble(sentenceOf(error));
    }
  };
  const asked = pattern?.elements.find(
    (element) => element.kind === 'text' && element.style === 'body',
  );
  const pictures = leaf.elements.filter((element) => element.kind === 'picture');
  return (
    <div className="flex h-full flex-col">
      <div className="flex shrink-0 flex-wrap items-center gap-2 border-b border-line px-4 py-2">
        <Button onClick={props.onClose}>All leaves</Button>
        {!props.isClosed && (
          <>
            <Button
              onClick={() =>
                run(addElement, leaf.id, {
                  kind: 'text',
                  style: 'body',
                  layer: 'content',
                  box: { x: 120, y: 420, w: 520, h: 80 },
                  text: plain('New text'),
                })
              }
            >
              Text
            </Button>
            <Button onClick={() => file.current?.click()}>Picture</Button>
            <input
              ref={file}
              type="file"
              accept="image/*"
              aria-label="Picture for the leaf"
              className="sr-only"
              tabIndex={-1}
              onChange={(event) => {
                void addPicture(event.target.files?.[0]);
                event.target.value = '';
              }}
            />
            <Button look="quiet" onClick={history.undo}>
              Undo
            </Button>
          </>
        )}
        {asked && <p className="basis-full text-[14px] text-soft">{elementWords(asked)}</p>}
      </div>
      <div
        ref={frame}
        className={
          isNarrow
            ? `overflow-y-auto ${isAcross ? 'flex flex-wrap' : ''}`
            : 'grid min-h-0 flex-1 place-items-center bg-sand'
        }
      >
        {props.isClosed ? (
          width > 0 && <SlideView slide={drawn} theme={edition.theme} width={width} />
        ) : (
          <div
            ref={room}
            className="relative shrink-0 overflow-hidden"
            style={{ width, height: (width * STAGE.height) / STAGE.width }}
          >
            <EditingStage
              doc={doc}
              drawn={drawn}
              desk={desk}
              control={control}
              edit={edit}
              run={run}
              slide={leaf}
              theme={edition.theme}
              links={NO_LINKS}
              promptOf={promptOf}
            />
          </div>
        )}
        {isNarrow && !props.isClosed && (
          <div className="flex flex-1 flex-col gap-3 p-4">
            {leaf.elements.map((element) =>
              element.kind === 'text' ? (
                <label key={element.id} className="block text-[14px] font-semibold">
                  {element.style === 'title' ? 'Title' : 'Text'}
                  <textarea
                    rows={element.style === 'title' ? 1 : 4}
                    value={wordsOf(element.text)}
                    placeholder={promptOf(element)}
                    onChange={(event) =>
                      run(setText, leaf.id, element.id, plain(...event.target.value.split('\n')))
                    }
                    className="mt-1 w-full rounded-[6px] border border-line bg-sheet px-3 py-2 text-[17px] font-normal"
                  />
                </label>
              ) : null,
            )}
          </div>
        )}
        {pictures.some((picture) => picture.kind === 'picture' && picture.alt === '') &&
          !props.isClosed && (
            <div className="flex basis-full flex-col gap-2 p-3">
              {pictures.map((picture) =>
                picture.kind === 'picture' ? (
                  <label key={picture.id} className="flex items-center gap-2 text-[14px]">
                    What does the picture show?
                    <input
                      value={picture.alt}
                      onChange={(event) =>
                        run(setElement, leaf.id, picture.id, { alt: event.target.value })
                      }
                      className="h-9 flex-1 rounded-[6px] border border-line bg-sheet px-2"
                    />
                  </label>
                ) : null,
              )}
            </div>
          )}
      </div>
    </div>
  );
}
