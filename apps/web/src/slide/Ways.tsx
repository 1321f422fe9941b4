import { removeLink, retarget, addSlide, type Link, type Slide } from '@gobrel/core';
import { useState, type ReactElement, type ReactNode, type Ref } from 'react';
import { useNavigate } from 'react-router';
import { SlideView } from '../stage/SlideView';
import { useDeck } from '../workspace/DeckContext';
import { LinkPicker } from './LinkPicker';

function Column(props: {
  title: string;
  count: number;
  children: ReactNode;
  ref?: Ref<HTMLElement>;
}): ReactElement {
  return (
    <section
      ref={props.ref}
      aria-label={props.title}
      className="w-[160px] shrink-0 overflow-y-auto p-3 xl:w-[176px]"
    >
      <h2 className="mb-3 text-[14px]">
        {props.title}{' '}
        <span className="font-body text-[13px] font-normal text-soft">{props.count}</span>
      </h2>
      <ul className="flex flex-col gap-3">{props.children}</ul>
    </section>
  );
}

function NeighbourCard({
  slide,
  link,
  onOpen,
}: {
  slide: Slide;
  link: Link;
  onOpen: () => void;
}): ReactElement {
  const { deck, graph } = useDeck();
  return (
    <button
      type="button"
      onClick={onOpen}
      aria-label={`${link.wording || 'Link'}: ${slide.title || 'Untitled'}`}
      className="block w-full rounded-[6px] border border-line bg-sheet p-1.5 text-left hover:border-petrol"
    >
      <span className="mb-1 block truncate text-[13px] font-semibold text-ember-deep">
        “{link.wording || '…'}”
      </span>
      <span
        className="pointer-events-none block overflow-hidden rounded-[3px] border border-line/60"
        aria-hidden
        inert
      >
        <SlideView
          slide={slide}
          theme={deck.theme}
          links={graph.waysOut.get(slide.id)}
          width={138}
        />
      </span>
      <span className="mt-1 block truncate text-[13px]">{slide.title || 'Untitled'}</span>
    </button>
  );
}

export function WaysIn({ slide }: { slide: Slide }): ReactElement {
  const { deckId, deck, graph } = useDeck();
  const navigate = useNavigate();
  const ways = graph.waysIn.get(slide.id) ?? [];
  return (
    <Column title="Ways in" count={ways.length}>
      {ways.map((link) => {
        const from = deck.slides[link.from];
        return from ? (
          <li key={link.id}>
            <NeighbourCard
              slide={from}
              link={link}
              onOpen={() => void navigate(`/deck/${deckId}/slide/${from.id}`)}
            />
          </li>
        ) : null;
      })}
      {ways.length === 0 && (
        <li className="text-[13px] text-soft">
          {slide.id === deck.startSlideId ? 'The walk starts here.' : 'Nothing leads here yet.'}
        </li>
      )}
    </Column>
  );
}

/** Broken ones first; each other one is joined by a line to what carries it. */
export function WaysOut(props: {
  slide: Slide;
  ref: Ref<HTMLElement>;
  onAdd: () => void;
}): ReactElement {
  const { slide } = props;
  const { deckId, deck, graph, doc, run } = useDeck();
  const navigate = useNavigate();
  const [mending, setMending] = useState<Link | null>(null);
  const ways = [...(graph.waysOut.get(slide.id) ?? [])].sort(
    (a, b) => Number(!!deck.slides[a.target.slideId]) - Number(!!deck.slides[b.target.slideId]),
  );
  return (
    <Column title="Ways out" count={ways.length} ref={props.ref}>
      {ways.map((link) => {
        const target = deck.slides[link.target.slideId];
        return (
          <li key={link.id} data-way={link.id}>
            {target ? (
              <NeighbourCard
                slide={target}
                link={link}
                onOpen={() => void navigate(`/deck/${deckId}/slide/${target.id}`)}
              />
            ) : (
              <div className="rounded-[6px] border border-[#e4cf95] bg-brass-mist p-2 text-[13px]">
                <p className="font-semibold text-ember-deep">“{link.wording}”</p>
                <p className="text-brass-deep">Leads nowhere: its slide has been deleted.</p>
                <div className="mt-1 flex gap-3">
                  <button
                    type="button"
                    className="min-h-7 underline"
                    onClick={() => setMending(link)}
                  >
                    Lead to …
                  </button>
                  <button
                    type="button"
                    className="min-h-7 underline"
                    onClick={() => run(removeLink(doc, link.id))}
                  >
                    Remove
                  </button>
                </div>
              </div>
            )}
            {target && link.carrier.kind === 'none' && (
              <p className="mt-1 text-[12px] text-brass-deep">Not on the slide any more</p>
            )}
          </li>
        );
      })}
      <li>
        <button
          type="button"
          onClick={props.onAdd}
          className="min-h-11 w-full rounded-[6px] border border-dashed border-[#cbbfa6] text-[13px] text-ember-deep hover:border-ember"
        >
          Add a way out
        </button>
      </li>
      <LinkPicker
        title={`“${mending?.wording ?? ''}” leads to …`}
        isOpen={mending !== null}
        onClose={() => setMending(null)}
        onPick={(slideId) => mending && run(retarget(doc, mending.id, slideId))}
        onNew={(title) => {
          const added = run(addSlide(doc, { title, beside: slide.id, layout: 'text' }));
          if (added && mending) run(retarget(doc, mending.id, added.slideId));
        }}
      />
    </Column>
  );
}
