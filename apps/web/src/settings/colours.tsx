import {
  DASHES,
  type Fill,
  type Gradient,
  type Outline,
  type Theme,
  swatchesOf,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { fillCss } from '../parts/fill';
import {
  AnyColour,
  Check,
  keepFocus,
  named,
  NumberField,
  Plain,
  Pop,
  Select,
  Slide,
} from '../ui/controls';

/** A small patch of what a thing is painted with. */
export function Patch({ paint }: { paint: string }): ReactElement {
  return (
    <span
      aria-hidden
      className="block h-4 w-6 rounded-[3px] border border-line"
      style={{
        background:
          paint === 'transparent'
            ? 'linear-gradient(to top right, transparent 46%, var(--color-ember) 46%, var(--color-ember) 54%, transparent 54%)'
            : paint,
      }}
    />
  );
}

/** The colours that a theme offers first, and any other. */
export function Swatches(props: {
  label: string;
  theme: Theme;
  value: string;
  onChange: (colour: string) => unknown;
}): ReactElement {
  const { label, theme, value, onChange } = props;
  return (
    <div className="flex flex-wrap items-center gap-1.5" role="group" aria-label={label}>
      {swatchesOf(theme).map((colour) => (
        <button
          key={colour}
          type="button"
          aria-label={`${label} ${colour}`}
          aria-pressed={value.toLowerCase() === colour.toLowerCase()}
          onPointerDown={keepFocus}
          onClick={() => onChange(colour)}
          className="size-7 rounded-[4px] border border-line aria-pressed:outline-2 aria-pressed:outline-petrol"
          style={{ background: colour }}
        />
      ))}
      <AnyColour label={`Other ${label.toLowerCase()}`} value={value} onKeep={onChange} />
    </div>
  );
}

export function ColourPop(props: {
  label: string;
  theme: Theme;
  value: string;
  /** What '' looks like. */
  standard: string;
  standardName?: string;
  onChange: (colour: string) => unknown;
}): ReactElement {
  const { label, theme, value, standard, onChange } = props;
  return (
    <Pop label={label} value={<Patch paint={value || standard} />} says={value || 'as the theme'}>
      <Swatches label={label} theme={theme} value={value} onChange={onChange} />
      <div className="mt-2">
        <Plain aria-pressed={value === ''} onClick={() => onChange('')}>
          {props.standardName ?? 'As the theme'}
        </Plain>
      </div>
    </Pop>
  );
}

const START: Gradient = { from: '#F6ECD2', to: '#17505C', angle: 90, isRadial: false };

interface FillProps {
  label?: string;
  theme: Theme;
  value: Fill;
  standard: string;
  canBeNone?: boolean;
  onChange: (fill: Fill) => unknown;
}

/** A colour, a gradient, nothing, or what the theme says. */
export function FillPop(props: FillProps): ReactElement {
  const { label = 'Fill', value, standard } = props;
  return (
    <Pop
      label={label}
      value={<Patch paint={fillCss(value, standard)} />}
      says={typeof value === 'string' ? value || 'as the theme' : 'gradient'}
    >
      <FillChoice {...props} label={label} />
    </Pop>
  );
}

function FillChoice(props: FillProps & { label: string }): ReactElement {
  const { label, theme, value, canBeNone = true, onChange } = props;
  const gradient = typeof value === 'string' ? null : value;
  const plain = typeof value === 'string' && value !== 'none' ? value : '';
  return (
    <div className="flex flex-col gap-2">
      <Swatches label={label} theme={theme} value={plain} onChange={onChange} />
      <div className="flex flex-wrap gap-1">
        <Plain aria-pressed={value === ''} onClick={() => onChange('')}>
          As the theme
        </Plain>
        {canBeNone && (
          <Plain aria-pressed={value === 'none'} onClick={() => onChange('none')}>
            None
          </Plain>
        )}
        <Plain
          aria-pressed={gradient !== null}
          onClick={() => onChange({ ...START, ...(plain ? { from: plain } : {}) })}
        >
          Gradient
        </Plain>
      </div>
      {gradient && (
        <>
          <div className="flex items-center gap-2">
            <span className="text-soft">from</span>
            <AnyColour
              label="Gradient from"
              value={gradient.from}
              onKeep={(from) => onChange({ ...gradient, from })}
            />
            <span className="text-soft">to</span>
            <AnyColour
              label="Gradient to"
              value={gradient.to}
              onKeep={(to) => onChange({ ...gradient, to })}
            />
            <Check
              label="round"
              isOn={gradient.isRadial}
              onChange={(isRadial) => onChange({ ...gradient, isRadial })}
            />
          </div>
          {!gradient.isRadial && (
            <Slide
              label="Direction"
              value={gradient.angle}
              min={0}
              max={345}
              step={15}
              onKeep={(angle) => onChange({ ...gradient, angle })}
            />
          )}
        </>
      )}
    </div>
  );
}

export function OutlinePop(props: {
  label?: string;
  theme: Theme;
  value: Outline;
  onChange: (outline: Outline) => unknown;
}): ReactElement {
  const { label = 'Outline', theme, value, onChange } = props;
  const shown = value.weight === 0 ? 'none' : `${value.weight}`;
  return (
    <Pop label={label} value={shown}>
      <div className="flex flex-col gap-2">
        <Swatches
          label={label}
          theme={theme}
          value={value.colour}
          onChange={(colour) => onChange({ ...value, colour, weight: value.weight || 3 })}
        />
        <div className="flex flex-wrap items-center gap-2">
          <NumberField
            label="Weight"
            value={value.weight}
            min={0}
            max={60}
            onKeep={(weight) => onChange({ ...value, weight })}
          />
          <Select
            label="Dash"
            value={value.dash}
            options={named(DASHES)}
            onChange={(dash) => onChange({ ...value, dash })}
          />
          <Plain
            aria-pressed={value.colour === ''}
            onClick={() => onChange({ ...value, colour: '' })}
          >
            ink of the theme
          </Plain>
        </div>
      </div>
    </Pop>
  );
}
