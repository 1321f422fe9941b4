import { followTo, moveLink, removeLink, type Link, type Slide, titleOf } from '@gobrel/core';
import { type ReactElement, type ReactNode, type Ref } from 'react';
import { useNavigate } from 'react-router';
import { LinkActions } from '../links/LinkActions';
import type { Linking } from '../links/Linking';
import { TargetName } from '../links/TargetName';
import { SlideView } from '../stage/SlideView';
import { useDeck } from '../deck/DeckContext';

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
      className="w-[160px] shrink-0 overflow-y-auto p-3 max-sm:hidden xl:w-[176px]"
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
      aria-label={`${link.wording || 'Link'}: ${titleOf(slide)}`}
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
      <span className="mt-1 block truncate text-[13px]">{titleOf(slide)}</span>
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

/** Missing ones first; each other one is joined by a line to what carries it. */
export function WaysOut(props: {
  slide: Slide;
  ref: Ref<HTMLElement>;
  linking: Linking;
}): ReactElement {
  const { slide, linking } = props;
  const { graph, isOpen } = useDeck();
  const missing = new Set([...graph.broken, ...graph.unset]);
  const ways = [...(graph.waysOut.get(slide.id) ?? [])].sort(
    (a, b) => Number(missing.has(b)) - Number(missing.has(a)),
  );
  return (
    <Column title="Ways out" count={ways.length} ref={props.ref}>
      {ways.map((link) => (
        <li key={link.id} data-way={link.id}>
          {missing.has(link) ? (
            <MissingCard link={link} linking={linking} />
          ) : (
            <WayOutCard link={link} linking={linking} />
          )}
        </li>
      ))}
      {isOpen && (
        <li>
          <button
            type="button"
            onClick={() => linking.ask({ kind: 'new' })}
            title="Ctrl+K"
            className="min-h-11 w-full rounded-[6px] border border-dashed border-[#cbbfa6] text-[13px] text-ember-deep hover:border-ember"
          >
            Add a way out
          </button>
        </li>
      )}
    </Column>
  );
}

function MissingCard({ link, linking }: { link: Link; linking: Linking }): ReactElement {
  const { run } = useDeck();
  const why =
    link.target.kind === 'none'
      ? 'Leads nowhere yet.'
      : link.target.kind === 'step'
        ? 'Leads nowhere: no trail goes on from here.'
        : 'Leads nowhere: its slide has been deleted.';
  return (
    <div className="rounded-[6px] border border-[#e4cf95] bg-brass-mist p-2 text-[13px]">
      <p className="font-semibold text-ember-deep">“{link.wording}”</p>
      <p className="text-brass-deep">{why}</p>
      <div className="mt-1 flex gap-3">
        <button
          type="button"
          className="min-h-7 underline"
          onClick={() => linking.ask({ kind: 'link', linkId: link.id })}
        >
          Lead to …
        </button>
        <button
          type="button"
          className="min-h-7 underline"
          onClick={() => run(removeLink, link.id)}
        >
          Remove
        </button>
      </div>
    </div>
  );
}

/** The card of a way out; what leads somewhere else than to a slide says so. */
function WayOutCard({ link, linking }: { link: Link; linking: Linking }): ReactElement {
  const { deckId, deck, run } = useDeck();
  const navigate = useNavigate();
  const goal = followTo(deck, link);
  const slide = goal ? deck.slides[goal] : undefined;
  const isPlain = link.target.kind === 'slide';
  return (
    <>
      {slide && (
        <NeighbourCard
          slide={slide}
          link={link}
          onOpen={() => void navigate(`/deck/${deckId}/slide/${slide.id}`)}
        />
      )}
      {!(slide && isPlain) && (
        <div className="rounded-[6px] border border-line bg-sheet p-2 text-[13px]">
          {!slide && <p className="font-semibold text-ember-deep">“{link.wording || '…'}”</p>}
          <p className="text-soft">
            <TargetName target={link.target} />
          </p>
          {!slide && (
            <LinkActions
              link={link}
              onChange={() => linking.ask({ kind: 'link', linkId: link.id })}
            />
          )}
        </div>
      )}
      {link.carrier.kind === 'none' && (
        <p className="mt-1 text-[12px] text-brass-deep">
          Not on the slide any more.{' '}
          <button
            type="button"
            className="min-h-6 underline"
            onClick={() => run(moveLink, link.id, link.from)}
          >
            Put it back
          </button>
        </p>
      )}
    </>
  );
}
