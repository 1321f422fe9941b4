import {
  addElement,
  creditLine,
  licenceAddress,
  licenceWords,
  LICENCES,
  FITS,
  shapeKind,
  type Adjustments,
  type Credit,
  type PictureElement,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { Check, Line, named, Plain, Pop, Select, Setting, Slide } from '../../ui/controls';
import { creditsElement } from '../credits/making';
import { Appearance } from '../../settings/Appearance';
import { OutlinePop } from '../../settings/colours';
import { PicturePop } from '../../ui/PicturePop';
import type { SettingsOf } from '../../settings/settings';
import { MattersPop } from './MattersPop';
import { ShapeGallery } from '../../settings/ShapeGallery';

const ADJUSTMENTS: [keyof Adjustments, string][] = [
  ['brightness', 'Brightness'],
  ['contrast', 'Contrast'],
  ['colour', 'Colour'],
  ['warmth', 'Warmth'],
];

export function Settings(props: SettingsOf<PictureElement>): ReactElement {
  const { element, theme, edit, set } = props;
  const isCropping = edit.cropping === element.id;
  return (
    <>
      <PicturePop
        label="Replace"
        onPicture={({ asset, credit, alt }) =>
          set({
            asset,
            crop: { x: 0, y: 0, w: 1, h: 1 },
            matters: null,
            fit: element.fit === 'contain' ? 'contain' : 'cover',
            ...(credit ? { credit } : {}),
            ...(alt ? { alt } : {}),
          })
        }
      />
      <Plain aria-pressed={isCropping} onClick={() => edit.crop(isCropping ? null : element.id)}>
        {isCropping ? 'Done cropping' : 'Crop'}
      </Plain>
      <MattersPop {...props} />
      <Pop label="Cut to" value={shapeKind(element.mask).label} width={330}>
        <ShapeGallery
          value={element.mask}
          onChoose={(mask) =>
            set({ mask, points: [], fit: element.fit === 'contain' ? 'cover' : element.fit })
          }
        />
      </Pop>
      <Setting label="Fit">
        <Select
          label="Fit"
          value={element.fit}
          options={named(FITS)}
          onChange={(fit) => set({ fit })}
        />
      </Setting>
      <OutlinePop
        label="Border"
        theme={theme}
        value={element.outline}
        onChange={(outline) => set({ outline })}
      />
      <Pop label="Look">
        {ADJUSTMENTS.map(([name, label]) => (
          <Slide
            key={name}
            label={label}
            value={element.adjust[name]}
            min={-1}
            max={1}
            step={0.05}
            onKeep={(value) => set({ adjust: { ...element.adjust, [name]: value } })}
          />
        ))}
        <Appearance {...props} />
        <Plain
          onClick={() => set({ adjust: { brightness: 0, contrast: 0, colour: 0, warmth: 0 } })}
        >
          As it was
        </Plain>
      </Pop>
      <Pop label="Alt text" value={element.isDecoration ? 'decoration' : element.alt || 'missing'}>
        <Line
          label="What it shows"
          isWide
          isLong
          value={element.alt}
          onKeep={(alt) => set({ alt, isDecoration: false })}
        />
        <Check
          label="Only decoration: nothing to read out"
          isOn={element.isDecoration}
          onChange={(isDecoration) => set({ isDecoration })}
        />
      </Pop>
      <CreditPop {...props} />
    </>
  );
}

function CreditPop(props: SettingsOf<PictureElement>): ReactElement {
  const { slide, element, set, edit } = props;
  const { run } = useDeck();
  const { credit } = element;
  const change = (part: Partial<Credit>): unknown => set({ credit: { ...credit, ...part } });
  const address = licenceAddress(credit.licence);
  return (
    <Pop label="Credit" value={creditLine(credit) || 'missing'} width={320}>
      <div className="flex flex-col gap-2">
        <Setting label="Licence">
          <Select
            label="Licence"
            value={credit.licence}
            options={LICENCES.map((value) => ({
              value,
              label: licenceWords(value) || 'not known',
            }))}
            onChange={(licence) => change({ licence })}
          />
          {address && (
            <a className="text-petrol underline" href={address} target="_blank" rel="noreferrer">
              its text
            </a>
          )}
        </Setting>
        <Line label="Title" isWide value={credit.title} onKeep={(title) => change({ title })} />
        <Line label="Author" isWide value={credit.author} onKeep={(author) => change({ author })} />
        <Line
          label="Source"
          isWide
          value={credit.source}
          placeholder="address or words"
          onKeep={(source) => change({ source })}
        />
        <p className="rounded-[4px] bg-sand px-2 py-1">
          {creditLine(credit) || 'Nothing to say yet.'}
        </p>
        <Check
          label="Show it on the picture"
          isOn={element.showsCredit}
          onChange={(showsCredit) => set({ showsCredit })}
        />
        <Plain
          onClick={() => {
            const added = run(addElement, slide.id, creditsElement(slide));
            if (added) edit.takeNew([added.elementId], 'content');
          }}
        >
          List all credits of the deck on this slide
        </Plain>
      </div>
    </Pop>
  );
}
