import {
  decimalOf,
  LANGUAGES,
  setLanguage,
  GROUND_FITS,
  moveLayer,
  setGround,
  slidesWithin,
  type Ground,
  type GroundPicture,
  type Reach,
  type Slide,
  themeOn,
  titleOf,
} from '@gobrel/core';
import type { ReactElement } from 'react';
import { useNotices } from '../../ui/Notice';
import { useDeck } from '../../deck/DeckContext';
import { named, Plain, Pop, Select, Setting, Slide as Slider } from '../../ui/controls';
import type { StageEdit } from '../../editing/useStageEdit';
import { ColourPop, FillPop } from '../../settings/colours';
import { LayoutPop } from './LayoutPop';
import { SetOutPop } from './SetOutPop';
import { ThemePop } from './ThemePop';
import { TransitionPop } from './TransitionPop';
import { PicturePop } from '../../ui/PicturePop';

/** Nothing in hand: the slide itself, or its background. */
export function SlideSettings(props: {
  slide: Slide;
  edit: StageEdit;
  onPasteInPlace: (() => void) | null;
}): ReactElement {
  const { slide, edit, onPasteInPlace } = props;
  return edit.layer === 'background' ? (
    <BackgroundSettings slide={slide} edit={edit} />
  ) : (
    <>
      <b className="max-w-[220px] truncate">{titleOf(slide)}</b>
      <SetOutPop slide={slide} />
      <LayoutPop slide={slide} />
      <ThemePop slide={slide} />
      <TransitionPop slide={slide} />
      <LanguagePop />
      {onPasteInPlace && <Plain onClick={onPasteInPlace}>Paste in place</Plain>}
      <span className="text-soft">Pick something on the stage, or add something below.</span>
    </>
  );
}

const NAMES = new Intl.DisplayNames('en', { type: 'language' });

/** What the deck is written in: numbers in its questions are read as that language writes them. */
function LanguagePop(): ReactElement {
  const { deck, run } = useDeck();
  return (
    <Pop label="Language" value={NAMES.of(deck.language) ?? deck.language} width={280}>
      <Setting label="The deck is in">
        <Select
          label="Language of the deck"
          value={deck.language}
          options={LANGUAGES.map((value) => ({ value, label: NAMES.of(value) ?? value }))}
          onChange={(language) => run(setLanguage, language)}
        />
      </Setting>
      <p className="mt-2 text-[13px] text-soft">
        Numbers are read as it writes them: one and a half is 1{decimalOf(deck.language)}5.
      </p>
    </Pop>
  );
}

function BackgroundSettings({ slide, edit }: { slide: Slide; edit: StageEdit }): ReactElement {
  const { deck, run } = useDeck();
  const { tell } = useNotices();
  const theme = themeOn(slide, deck.theme);
  const { ground } = slide;
  const { picture } = ground;
  const set = (part: Partial<Ground>): unknown => run(setGround, [slide.id], part);
  const setPicture = (part: Partial<GroundPicture>): unknown =>
    picture && set({ picture: { ...picture, ...part } });
  const apply = (reach: Reach): void => {
    const done = run(setGround, slidesWithin(deck, slide.id, reach), ground);
    if (done)
      tell(done.slides === 1 ? 'It is on this slide.' : `It is on ${done.slides} slides now.`);
  };
  const move = (from: 'background' | 'content'): void => {
    const moved = run(moveLayer, slide.id, from);
    if (!moved) return;
    tell(
      from === 'content'
        ? `${moved.moved} things lie in the background now.`
        : `${moved.moved} things are lifted out of the background.`,
    );
    if (from === 'background') edit.setLayer('content');
  };
  return (
    <>
      <b>The background</b>
      <FillPop
        theme={theme}
        value={ground.fill}
        standard={theme.colours.paper}
        canBeNone={false}
        onChange={(fill) => set({ fill })}
      />
      <PicturePop
        label={picture ? 'Other picture' : 'Picture under all'}
        onPicture={({ asset, credit }) =>
          set({
            picture: {
              asset,
              fit: 'fill',
              scale: 1,
              x: 0.5,
              y: 0.5,
              credit: credit ?? { title: '', author: '', source: '', licence: 'unknown' },
            },
          })
        }
      />
      {picture && (
        <Pop label="How it lies" value={picture.fit}>
          <div className="flex flex-col gap-1">
            <Setting label="Fit">
              <Select
                label="Fit of the background"
                value={picture.fit}
                options={named(GROUND_FITS)}
                onChange={(fit) => setPicture({ fit })}
              />
            </Setting>
            <Slider
              label="Scale"
              value={picture.scale}
              min={0.1}
              max={3}
              step={0.05}
              onKeep={(scale) => setPicture({ scale })}
            />
            <Slider
              label="Across"
              value={picture.x}
              min={0}
              max={1}
              step={0.02}
              onKeep={(x) => setPicture({ x })}
            />
            <Slider
              label="Down"
              value={picture.y}
              min={0}
              max={1}
              step={0.02}
              onKeep={(y) => setPicture({ y })}
            />
            <Plain onClick={() => set({ picture: null })}>No picture</Plain>
          </div>
        </Pop>
      )}
      <ColourPop
        label="Tint"
        theme={theme}
        value={ground.tint}
        standard="transparent"
        standardName="None"
        onChange={(tint) => set({ tint, tintStrength: ground.tintStrength || 0.4 })}
      />
      {ground.tint && (
        <Slider
          label="Strength"
          value={ground.tintStrength}
          min={0}
          max={1}
          step={0.05}
          onKeep={(tintStrength) => set({ tintStrength })}
        />
      )}
      <Pop label="Apply to">
        <div className="flex flex-col items-start">
          {slide.sectionId && <Plain onClick={() => apply('section')}>The whole section</Plain>}
          <Plain onClick={() => apply('deck')}>All slides</Plain>
        </div>
      </Pop>
      <Plain onClick={() => move('content')}>Move all content in here</Plain>
      <Plain onClick={() => move('background')}>Lift all of it out</Plain>
    </>
  );
}
