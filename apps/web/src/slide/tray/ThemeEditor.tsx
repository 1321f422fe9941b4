import {
  BULLETS,
  changeTheme,
  CHOICE_FORMS,
  EDGES,
  ORNAMENTS,
  FAMILIES,
  FAMILY_NAMES,
  ownOf,
  removeTheme,
  repaired,
  SCENERIES,
  SIDES,
  turnedOver,
  type Dress,
  type FamilyName,
  type Repair,
  type SceneColours,
  type Side,
  type ThemeColours,
  type ThemeData,
} from '@gobrel/core';
import { useEffect, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { PICTURE_TYPES } from '../../api/assets';
import { http, sentenceOf } from '../../api/http';
import { useChange } from '../../api/teacher';
import { useDeck } from '../../deck/DeckContext';
import { AnyColour, Line, named, Plain, Select, Setting, Slide } from '../../ui/controls';
import { useNotices } from '../../ui/Notice';
import { Segments } from '../../ui/Segments';
import { SIDE_OPTIONS } from './sides';
import { themeOfPicture } from './themeOfPicture';

const WORDS: readonly [keyof ThemeColours, string][] = [
  ['paper', 'Paper'],
  ['ink', 'Words'],
  ['head', 'Titles'],
  ['choiceFill', 'Choices'],
  ['choiceInk', 'Words on choices'],
  ['shapeFill', 'Shapes'],
  ['line', 'Lines'],
];
const SCENE: readonly [keyof SceneColours, string][] = [
  ['sky', 'Sky'],
  ['far', 'Far'],
  ['mid', 'Between'],
  ['near', 'Near'],
  ['deep', 'Nearest'],
  ['light', 'Light'],
  ['warm', 'Warm'],
];
const WEIGHTS = ['400', '500', '600', '700', '800'] as const;
const FAMILY_OPTIONS = FAMILY_NAMES.map((value) => ({ value, label: FAMILIES[value].label }));

/** Changes a theme of the deck's own while the deck is shown in it; what could not be read any more is repaired. */
export default function ThemeEditor(props: {
  id: string;
  side: Side;
  onSide: (side: Side) => void;
  onDone: () => void;
}): ReactElement {
  const { id, side } = props;
  const { deck, run } = useDeck();
  const { tell, trouble } = useNotices();
  const file = useRef<HTMLInputElement>(null);
  const [repairs, setRepairs] = useState<readonly Repair[]>([]);
  const [isBusy, setIsBusy] = useState(false);
  const keep = useChange((theme: ThemeData) => http.post('themes', { theme }), ['themes']);
  const theme = ownOf(id, deck.theme.own);
  const latest = useRef(theme);
  useEffect(() => {
    latest.current = theme;
  });
  const change = (data: ThemeData, sides: readonly Side[] = SIDES): void => {
    const { data: legible, repairs } = repaired(data, sides);
    if (run(changeTheme, id, legible)) setRepairs(repairs);
  };
  const colour = (part: Partial<ThemeColours>): void =>
    change({ ...theme, [side]: { ...theme[side], ...part } }, [side]);
  const paint = (part: Partial<SceneColours>): void =>
    change({ ...theme, scene: { ...theme.scene, [side]: { ...theme.scene[side], ...part } } }, [
      side,
    ]);
  const dress = (part: Partial<Dress>): void =>
    change({ ...theme, dress: { ...theme.dress, ...part } }, []);
  const fromPicture = async (picture: File): Promise<void> => {
    setIsBusy(true);
    try {
      const made = await themeOfPicture(picture, theme);
      if (!made) return trouble('There is nothing to be seen in this picture.');
      // Its colours, repaired already; what has been changed meanwhile of the rest stays.
      const { light, dark, scene } = made;
      if (run(changeTheme, id, { ...latest.current, light, dark, scene })) setRepairs([]);
    } catch (error) {
      trouble(sentenceOf(error));
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <div className="flex flex-col gap-3" aria-busy={isBusy}>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Plain onClick={props.onDone}>All themes</Plain>
        <Line
          label="Name"
          value={theme.label}
          onKeep={(label) => label.trim() && run(changeTheme, id, { ...theme, label })}
        />
        <Segments
          label="Side to change"
          value={side}
          options={SIDE_OPTIONS}
          onChange={props.onSide}
        />
        <Plain
          onClick={() => change({ ...theme, [other(side)]: turnedOver(theme[side]) })}
        >{`Make the ${other(side)} side of it`}</Plain>
      </div>
      <div className="grid gap-x-8 gap-y-2 lg:grid-cols-[3fr_2fr]">
        <div className="flex flex-col gap-2">
          <Row label="Words and grounds">
            {WORDS.map(([key, label]) => (
              <Well
                key={key}
                label={label}
                value={theme[side][key]}
                onKeep={(value) => colour({ [key]: value })}
              />
            ))}
          </Row>
          <Row label="Scenery">
            {SCENE.map(([key, label]) => (
              <Well
                key={key}
                label={label}
                value={theme.scene[side][key]}
                onKeep={(value) => paint({ [key]: value })}
              />
            ))}
          </Row>
        </div>
        <div className="grid content-start gap-x-4 gap-y-1.5 sm:grid-cols-2">
          <Setting label="Drawing">
            <Select
              label="Drawing"
              value={theme.scenery}
              options={named(SCENERIES)}
              onChange={(scenery) => change({ ...theme, scenery })}
            />
          </Setting>
          <Setting label="Choices as">
            <Select
              label="Choices as"
              value={theme.dress.choice}
              options={named(CHOICE_FORMS)}
              onChange={(choice) => dress({ choice })}
            />
          </Setting>
          <span className="flex gap-1.5 sm:col-span-2">
            <Setting label="Titles in">
              <Select<FamilyName>
                label="Titles in"
                value={theme.head}
                options={FAMILY_OPTIONS}
                onChange={(head) => change({ ...theme, head }, [])}
              />
              <Select
                label="Weight of titles"
                value={String(theme.headWeight)}
                options={named([...new Set([...WEIGHTS, String(theme.headWeight)])].sort())}
                onChange={(weight) => change({ ...theme, headWeight: Number(weight) }, [])}
              />
            </Setting>
          </span>
          <span className="sm:col-span-2">
            <Setting label="Words in">
              <Select<FamilyName>
                label="Words in"
                value={theme.body}
                options={FAMILY_OPTIONS}
                onChange={(body) => change({ ...theme, body }, [])}
              />
            </Setting>
          </span>
          <Setting label="Edges">
            <Select
              label="Edges"
              value={theme.dress.edge}
              options={named(EDGES)}
              onChange={(edge) => dress({ edge })}
            />
          </Setting>
          <Setting label="Lists begin with a">
            <Select
              label="Lists begin with a"
              value={theme.dress.bullet}
              options={named(BULLETS)}
              onChange={(bullet) => dress({ bullet })}
            />
          </Setting>
          <Setting label="Below titles">
            <Select
              label="Below titles"
              value={theme.dress.ornament}
              options={named(ORNAMENTS)}
              onChange={(ornament) => dress({ ornament })}
            />
          </Setting>
          <Slide
            label="Corners"
            value={theme.dress.corner}
            min={0}
            max={32}
            step={1}
            onKeep={(corner) => dress({ corner })}
          />
        </div>
      </div>
      <div className="flex flex-wrap items-center border-t border-dotted border-line pt-2">
        <Plain disabled={isBusy} onClick={() => file.current?.click()}>
          Colours from a picture
        </Plain>
        <input
          ref={file}
          type="file"
          accept={PICTURE_TYPES}
          aria-label="Picture with the colours"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const picked = event.target.files?.[0];
            if (picked) void fromPicture(picked);
            event.target.value = '';
          }}
        />
        <Plain
          disabled={keep.isPending}
          onClick={() =>
            keep.mutate(theme, {
              onSuccess: () => tell(`“${theme.label}” is there for your other decks, too.`),
              onError: (error) => trouble(sentenceOf(error)),
            })
          }
        >
          Keep for other decks
        </Plain>
        <Plain
          onClick={() => {
            if (!run(removeTheme, id)) return;
            tell(`“${theme.label}” is taken out. Ctrl+Z brings it back.`);
            props.onDone();
          }}
        >
          Take it out of this deck
        </Plain>
        <p role="status" className="ml-auto text-[13px] text-ember-deep">
          {wordsOfRepairs(repairs)}
        </p>
      </div>
    </div>
  );
}

const other = (side: Side): Side => (side === 'light' ? 'dark' : 'light');

function Row({ label, children }: { label: string; children: ReactNode }): ReactElement {
  return (
    <fieldset>
      <legend className="mb-1 text-soft">{label}</legend>
      <div className="grid grid-cols-7 gap-1.5">{children}</div>
    </fieldset>
  );
}

function Well(props: {
  label: string;
  value: string;
  onKeep: (value: string) => void;
}): ReactElement {
  return (
    <label className="flex flex-col items-stretch gap-0.5 text-[12px] leading-tight [&>input]:w-full">
      <AnyColour {...props} />
      <span aria-hidden>{props.label}</span>
    </label>
  );
}

/** What was changed so that words can be read, in a sentence; '' for nothing. */
function wordsOfRepairs(repairs: readonly Repair[]): string {
  if (repairs.length === 0) return '';
  const what = SIDES.flatMap((side) => {
    const of = repairs.filter((repair) => repair.side === side).map((repair) => nameOf(repair.of));
    return of.length === 0 ? [] : [`${of.join(', ')} on the ${side} side`];
  });
  return `Changed so that words can be read: ${what.join('; ')}.`;
}
const nameOf = (of: Repair['of']): string =>
  of === 'scenery'
    ? 'the scenery’s colours'
    : (WORDS.find(([key]) => key === of)?.[1] ?? of).toLowerCase();
