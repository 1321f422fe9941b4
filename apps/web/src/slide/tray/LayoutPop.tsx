import {
  applyLayout,
  changeLayout,
  keepLayout,
  layoutOf,
  LAYOUTS,
  relayLayout,
  removeLayout,
  setNumbering,
  takeLayout,
  type LayoutName,
  type OwnLayout,
  type OwnPlace,
  type Slide,
  type SlotSpec,
  type TextStyle,
  titleOf,
} from '@gobrel/core';
import type { ReactElement, ReactNode } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { Check, Line, Plain, Pop } from '../../ui/controls';
import { useNotices } from '../../ui/Notice';
import { Segments } from '../../ui/Segments';
import { slotsOf } from '../ownSlots';

const NUMBERINGS = [
  { value: 'none', label: 'None' },
  { value: 'all', label: 'All' },
  { value: 'from', label: 'From here on' },
] as const;

/** How a slide is laid: one of our layouts, or one of the deck's own; and which slides show their number. */
export function LayoutPop({ slide }: { slide: Slide }): ReactElement {
  const { deck, run } = useDeck();
  const { ownLayout } = slide;
  const own = ownLayout === null ? undefined : deck.layouts[ownLayout];
  const owns = Object.entries(deck.layouts);
  return (
    <Pop label="Layout" value={own?.label ?? layoutOf(slide.layout).label} width={420}>
      <Sketches label="Layouts">
        {LAYOUTS.map((layout) => (
          <Choice
            key={layout}
            label={layoutOf(layout).label}
            isNow={!own && slide.layout === layout}
            onChoose={() => run(takeLayout, slide.id, layout)}
          >
            <LayoutSketch slots={layoutOf(layout).slots} choices={layout} />
          </Choice>
        ))}
      </Sketches>
      {owns.length > 0 && (
        <>
          <h3 className="mt-3 mb-1 text-soft">Your own</h3>
          <Sketches label="Own layouts">
            {owns.map(([id, layout]) => (
              <Choice
                key={id}
                label={layout.label}
                isNow={id === ownLayout}
                onChoose={() => run(applyLayout, [slide.id], id)}
              >
                <LayoutSketch slots={slotsOf(layout)} />
              </Choice>
            ))}
          </Sketches>
        </>
      )}
      {own && ownLayout !== null && <OwnSettings id={ownLayout} layout={own} slide={slide} />}
      {!own && (
        <div className="mt-2">
          <Plain
            onClick={() => run(keepLayout, slide.id, slide.title ? titleOf(slide) : 'Own layout')}
          >
            Keep how this slide is laid as a layout
          </Plain>
        </div>
      )}
      <Numbering slide={slide} />
    </Pop>
  );
}

/** What of a layout is shown, and how it is changed: by laying one of its slides anew. */
function OwnSettings(props: { id: string; layout: OwnLayout; slide: Slide }): ReactElement {
  const { id, layout, slide } = props;
  const { deck, run } = useDeck();
  const { tell } = useNotices();
  const slides = Object.values(deck.slides).filter(({ ownLayout }) => ownLayout === id).length;
  const followed = (others: number): string =>
    others === 0 ? 'No other slide has it yet.' : `${others} more of the deck’s slides followed.`;
  return (
    <section
      aria-label="This layout"
      className="mt-2 flex flex-col gap-1.5 rounded-[4px] bg-paper p-2"
    >
      <Line
        label="Name"
        value={layout.label}
        onKeep={(label) => label.trim() && run(changeLayout, id, { label })}
      />
      <div className="flex flex-wrap items-center gap-x-4">
        <span className="text-soft">Shown</span>
        {layout.places
          // Choices are there as long as their links are.
          .filter(({ style }) => style !== 'choice')
          .map((place) => (
            <Check
              key={place.slot}
              label={nameOf(layout, place)}
              isOn={place.isShown}
              onChange={(isShown) =>
                run(changeLayout, id, {
                  places: layout.places.map((one) => (one === place ? { ...one, isShown } : one)),
                })
              }
            />
          ))}
        <Check
          label="number"
          isOn={layout.showsNumber}
          onChange={(showsNumber) => run(changeLayout, id, { showsNumber })}
        />
        {layout.ground && (
          <Check label="background" isOn onChange={() => run(changeLayout, id, { ground: null })} />
        )}
      </div>
      <Prompts layout={layout} onKeep={(places) => run(changeLayout, id, { places })} />
      <div className="flex flex-wrap">
        <Plain
          onClick={() => {
            if (run(relayLayout, slide.id))
              tell(`The layout is as this slide. ${followed(slides - 1)}`);
          }}
        >
          Lay it anew as this slide
        </Plain>
        <Plain onClick={() => run(applyLayout, [slide.id], id)}>Put this slide back into it</Plain>
        <Plain
          onClick={() => {
            if (run(removeLayout, id)) {
              tell(
                `“${layout.label}” is taken out; its slides stay as they lie. Ctrl+Z brings it back.`,
              );
            }
          }}
        >
          Take it out
        </Plain>
      </div>
    </section>
  );
}

/** What the places of a layout say while nothing stands in them. */
function Prompts(props: {
  layout: OwnLayout;
  onKeep: (places: OwnPlace[]) => unknown;
}): ReactElement {
  const { places } = props.layout;
  return (
    <details>
      <summary className="cursor-pointer text-soft">What empty places say</summary>
      <div className="mt-1.5 flex flex-col items-end gap-1.5">
        {places
          .filter(({ isShown, style }) => isShown && style !== 'choice')
          .map((place) => (
            <Line
              key={place.slot}
              label={nameOf(props.layout, place)}
              value={place.prompt ?? ''}
              placeholder="as always"
              isBroad
              onKeep={(prompt) =>
                props.onKeep(places.map((one) => (one === place ? { ...one, prompt } : one)))
              }
            />
          ))}
      </div>
    </details>
  );
}

/** What a place is called: by what it is for, with a number where there are several. */
function nameOf({ places }: OwnLayout, place: OwnPlace): string {
  const kindOf = ({ takes, style }: OwnPlace): string =>
    takes !== 'text' ? takes : style === 'body' ? 'text' : style;
  const same = places.filter((other) => kindOf(other) === kindOf(place));
  return same.length > 1 ? `${kindOf(place)} ${same.indexOf(place) + 1}` : kindOf(place);
}

function Numbering({ slide }: { slide: Slide }): ReactElement {
  const { deck, run } = useDeck();
  const { numbering } = deck;
  const isFrom = numbering !== null && numbering !== 'all';
  return (
    <div className="mt-3 border-t border-dotted border-line pt-3">
      <div className="flex flex-wrap items-center gap-2">
        <span className="text-soft">Slide numbers</span>
        <Segments
          label="Slide numbers"
          value={isFrom ? 'from' : (numbering ?? 'none')}
          options={NUMBERINGS}
          onChange={(wanted) =>
            run(setNumbering, wanted === 'none' ? null : wanted === 'all' ? 'all' : slide.id)
          }
        />
      </div>
      {isFrom && numbering !== slide.id && (
        <p className="mt-1 text-soft">
          They begin with “{titleOf(deck.slides[numbering])}”.{' '}
          <Plain onClick={() => run(setNumbering, slide.id)}>Begin with this one</Plain>
        </p>
      )}
    </div>
  );
}

const Sketches = (props: { label: string; children: ReactNode }): ReactElement => (
  <div className="grid grid-cols-5 gap-1.5" role="group" aria-label={props.label}>
    {props.children}
  </div>
);

function Choice(props: {
  label: string;
  isNow: boolean;
  onChoose: () => void;
  children: ReactNode;
}): ReactElement {
  return (
    <button
      type="button"
      aria-pressed={props.isNow}
      onClick={props.onChoose}
      className="rounded-[4px] border border-line p-1 text-[12px] leading-tight hover:border-petrol aria-pressed:border-petrol aria-pressed:bg-petrol-mist"
    >
      {props.children}
      {props.label}
    </button>
  );
}

const INK_OF: Partial<Record<TextStyle, string>> = {
  title: 'fill-ink/70',
  choice: 'fill-ember/40',
};

/** What stands where in a layout, in a few lines. */
function LayoutSketch(props: { slots: readonly SlotSpec[]; choices?: LayoutName }): ReactElement {
  const showsChoices = props.choices === 'choices' || props.choices === 'pattern';
  const { choices } = layoutOf(props.choices ?? 'empty');
  return (
    <svg viewBox="0 0 1280 720" className="mb-0.5 w-full bg-paper" aria-hidden>
      {props.slots.map((slot) => {
        const { x, y, w, h } = slot.box;
        return slot.takes === 'text' ? (
          <rect
            key={slot.slot}
            x={x}
            y={y}
            width={w * 0.8}
            height={Math.min(h, 60)}
            className={INK_OF[slot.style] ?? 'fill-ink/25'}
          />
        ) : (
          <rect key={slot.slot} x={x} y={y} width={w} height={h} className="fill-petrol/25" />
        );
      })}
      {showsChoices &&
        [0, 1, 2].map((row) => (
          <rect
            key={row}
            x={choices.x}
            y={choices.y + row * (choices.h + choices.gap)}
            width={choices.w}
            height={choices.h}
            className="fill-ember/40"
          />
        ))}
    </svg>
  );
}
