import {
  applyMend,
  FINDING_KINDS,
  setAside,
  takeUpAgain,
  type Finding,
  type Mend,
  titleOf,
} from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { useDeck } from '../deck/DeckContext';
import { SpotPicture } from './SpotPicture';

/** One finding: the spot, why it matters, and what puts it right. */
export function FindingCard(props: { finding: Finding; asideReason?: string }): ReactElement {
  const { finding, asideReason } = props;
  const { deckId, deck, run, isOpen } = useDeck();
  const navigate = useNavigate();
  const { tell } = useNotices();
  const [isSettingAside, setIsSettingAside] = useState(false);
  const { title } = FINDING_KINDS[finding.kind];
  const slide = finding.slideId ? deck.slides[finding.slideId] : undefined;
  const mend = (chosen: Mend, answer?: string): void => {
    if (run(applyMend, chosen, answer)) tell(`${chosen.label}: done. Ctrl+Z takes it back.`);
  };
  return (
    <article
      aria-label={`${title}: ${slide ? titleOf(slide) : deck.title}`}
      className="flex gap-4 rounded-[6px] border border-line bg-sheet p-3.5"
    >
      {slide && <SpotPicture slide={slide} box={finding.box} />}
      <div className="min-w-0">
        {slide && <p className="truncate text-[13px] text-soft">{titleOf(slide)}</p>}
        <h3 className="text-[17px]">{title}</h3>
        <p className="mt-0.5 max-w-[58ch]">{finding.why}</p>
        {asideReason !== undefined ? (
          <div className="mt-2 flex flex-wrap items-center gap-3 text-[14px] text-soft">
            <span>Let be: “{asideReason}”</span>
            {isOpen && (
              <Button size="small" onClick={() => run(takeUpAgain, finding)}>
                Take it up again
              </Button>
            )}
          </div>
        ) : isSettingAside ? (
          <LineForm
            label="Why it may stay as it is"
            done="Set aside"
            onDone={(reason) => run(setAside, finding, reason) && setIsSettingAside(false)}
            onCancel={() => setIsSettingAside(false)}
          />
        ) : (
          <div className="mt-2.5 flex flex-wrap items-center gap-2">
            {(isOpen ? finding.mends : []).map((chosen, index) =>
              chosen.do === 'ask' ? (
                <LineForm
                  key={chosen.label}
                  label={chosen.label}
                  done="Keep"
                  onDone={(answer) => mend(chosen, answer)}
                />
              ) : (
                <Button
                  key={chosen.label}
                  size="small"
                  look={index === 0 ? 'main' : 'plain'}
                  onClick={() => mend(chosen)}
                >
                  {chosen.label}
                </Button>
              ),
            )}
            {slide && (
              <Button
                size="small"
                onClick={() =>
                  void navigate(`/deck/${deckId}/slide/${slide.id}`, {
                    state: { select: finding.elementIds ?? [] },
                  })
                }
              >
                Open the slide
              </Button>
            )}
            {isOpen && (
              <Button size="small" look="quiet" onClick={() => setIsSettingAside(true)}>
                Set aside …
              </Button>
            )}
          </div>
        )}
      </div>
    </article>
  );
}

function LineForm(props: {
  label: string;
  done: string;
  onDone: (text: string) => unknown;
  onCancel?: () => void;
}): ReactElement {
  const [text, setText] = useState('');
  return (
    <form
      className="mt-1 flex w-full flex-wrap items-center gap-2 text-[14px]"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim()) props.onDone(text);
      }}
    >
      <label className="flex flex-1 items-center gap-2">
        <span className="whitespace-nowrap text-soft">{props.label}</span>
        <input
          value={text}
          autoFocus={props.onCancel !== undefined}
          maxLength={500}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && props.onCancel?.()}
          className="h-8 min-w-[160px] flex-1 rounded-[4px] border border-line bg-sheet px-2"
        />
      </label>
      <Button type="submit" size="small" disabled={text.trim() === ''}>
        {props.done}
      </Button>
      {props.onCancel && (
        <Button size="small" look="quiet" onClick={props.onCancel}>
          Cancel
        </Button>
      )}
    </form>
  );
}
