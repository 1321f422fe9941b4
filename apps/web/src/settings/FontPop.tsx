import {
  FAMILY_NAMES,
  familyOf,
  missingScripts,
  textType,
  shapeType,
  typeInStyle,
  wordsOf,
  UPRIGHTS,
  type FamilyName,
  type RichText,
  type SetType,
  type SlideElement,
  type Typography,
  type Theme,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { familyCss } from '../parts/type';
import { named, NumberField, Pop, Select, Setting, Slide } from '../ui/controls';
import type { SettingsOf } from './settings';

/** How the words of a thing are really set. */
function setTypeOf(element: SlideElement & Typography, theme: Theme): SetType {
  if (element.kind === 'text') return textType(element, theme);
  if (element.kind === 'shape') return shapeType(element, theme);
  return typeInStyle(element, 'caption', theme);
}

const FITS = [
  { value: 'grow', label: 'the box grows' },
  { value: 'fixed', label: 'the box stays' },
  { value: 'shrink', label: 'words shrink to fit' },
] as const;

/** Family, size and spacing. Says so when the family lacks letters that the words need. */
export function FontPop(
  props: SettingsOf<SlideElement & Typography & { text?: RichText }>,
): ReactElement {
  const { element, theme, set } = props;
  const type = setTypeOf(element, theme);
  const missing = element.text ? missingScripts(wordsOf(element.text), type.family) : [];
  return (
    <Pop
      label="Type"
      value={`${familyOf(type.family).label.split(' ')[0]} ${type.size}`}
      width={320}
    >
      <div className="flex flex-col gap-2">
        <div role="radiogroup" aria-label="Family" className="flex flex-col">
          {[null, ...FAMILY_NAMES].map((name: FamilyName | null) => (
            <button
              key={name ?? ''}
              type="button"
              role="radio"
              aria-checked={element.family === name}
              onClick={() => set({ family: name })}
              className="min-h-7 rounded-[4px] px-2 text-left text-[15px] hover:bg-sand aria-checked:bg-petrol-mist"
              style={name ? { fontFamily: familyCss(name) } : undefined}
            >
              {name ? familyOf(name).label : 'As the theme'}
            </button>
          ))}
        </div>
        {missing.length > 0 && (
          <p role="note" className="rounded-[4px] bg-brass-mist p-2 text-brass-deep">
            {familyOf(type.family).label} has no {missing.join(', ')} letters: another font stands
            in for them.
          </p>
        )}
        <div className="flex flex-wrap gap-x-4 gap-y-2">
          <NumberField
            label="Type size"
            value={type.size}
            min={8}
            max={400}
            onKeep={(size) => set({ size })}
          />
          <NumberField
            label="Line height"
            value={type.leading}
            min={0.8}
            max={4}
            step={0.05}
            onKeep={(leading) => set({ leading })}
          />
          <NumberField
            label="Between paragraphs"
            value={type.gap}
            min={0}
            max={4}
            step={0.1}
            onKeep={(gap) => set({ gap })}
          />
        </div>
        <div className="flex flex-wrap items-center gap-3">
          <Setting label="Stands">
            <Select
              label="Stands"
              value={type.upright}
              options={named(UPRIGHTS)}
              onChange={(upright) => set({ upright })}
            />
          </Setting>
          {element.kind === 'text' && (
            <>
              <Setting label="When full">
                <Select
                  label="When full"
                  value={element.fit}
                  options={FITS}
                  onChange={(fit) => set({ fit })}
                />
              </Setting>
              <Slide
                label={`Columns: ${element.columns}`}
                value={element.columns}
                min={1}
                max={3}
                step={1}
                onKeep={(columns) => set({ columns })}
              />
            </>
          )}
        </div>
      </div>
    </Pop>
  );
}
