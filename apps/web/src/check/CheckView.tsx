import { explain, removeLink, routeFindings, setSlideFlag, type Finding } from '@gobrel/core';
import type { ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { SlideView } from '../stage/SlideView';
import { Button } from '../ui/Button';
import { Centre } from '../ui/Page';
import { useDeck } from '../workspace/DeckContext';

/** What was found on the routes of the deck, with the mends at hand. */
export default function CheckView(): ReactElement {
  const { deck, graph } = useDeck();
  const findings = routeFindings(deck, graph);
  if (findings.length === 0) {
    return (
      <Centre title="Nothing to mend">
        Every slide can be reached, and every route comes to an ending.
      </Centre>
    );
  }
  return (
    <main className="h-full overflow-auto px-6 py-6 md:px-12">
      <h1 className="mb-4 text-[22px]">
        {findings.length === 1 ? 'One thing to mend' : `${findings.length} things to mend`}
      </h1>
      <ul className="flex max-w-[940px] flex-col gap-3.5">
        {findings.map((finding, index) => (
          <li key={index}>
            <FindingCard finding={finding} />
          </li>
        ))}
      </ul>
    </main>
  );
}

function FindingCard({ finding }: { finding: Finding }): ReactElement {
  const { deckId, deck, graph, doc, run } = useDeck();
  const navigate = useNavigate();
  const { title, why } = explain(finding);
  const slide = 'slideId' in finding ? deck.slides[finding.slideId] : undefined;
  const link = finding.kind === 'broken-link' ? deck.links[finding.linkId] : undefined;
  return (
    <article className="flex gap-5 rounded-[6px] border border-line bg-sheet p-3.5">
      {slide && (
        <div className="shrink-0 self-start overflow-hidden rounded-[4px] border border-line">
          <SlideView
            slide={slide}
            theme={deck.theme}
            links={graph.waysOut.get(slide.id)}
            width={176}
          />
        </div>
      )}
      <div>
        <p className="text-[13px] text-soft">
          {slide && (slide.title || 'Untitled')}
          {link && ` · “${link.wording}”`}
        </p>
        <h2 className="text-[18px]">{title}</h2>
        <p className="mt-1 max-w-[60ch]">{why}</p>
        <div className="mt-3 flex flex-wrap gap-2">
          {slide && (
            <Button size="small" onClick={() => void navigate(`/deck/${deckId}/slide/${slide.id}`)}>
              Open the slide
            </Button>
          )}
          {finding.kind === 'dead-end' && (
            <Button
              size="small"
              onClick={() => run(setSlideFlag(doc, finding.slideId, 'isEnding', true))}
            >
              Mark as ending
            </Button>
          )}
          {finding.kind === 'broken-link' && (
            <Button size="small" onClick={() => run(removeLink(doc, finding.linkId))}>
              Take the link out
            </Button>
          )}
        </div>
      </div>
    </article>
  );
}
