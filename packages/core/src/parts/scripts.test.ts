import { FAMILY_NAMES, familyOf } from './fonts.js';
import { missingScripts } from './missingScripts.js';
import { scriptsOf, type Script } from './scripts.js';

/** A word of each script. */
const WORDS: Record<Script, string> = {
  Latin: 'lighthouse',
  Greek: 'φάρος',
  Cyrillic: 'маяк',
  Hebrew: 'מגדלור',
  Arabic: 'منارة',
  Devanagari: 'प्रकाशस्तंभ',
  Thai: 'ประภาคาร',
  Han: '灯塔',
  Hiragana: 'とうだい',
  Katakana: 'ライト',
  Hangul: '등대',
  Armenian: 'փարոս',
  Georgian: 'შუქურა',
  Bengali: 'বাতিঘর',
  Tamil: 'கலங்கரை',
  Telugu: 'దీపస్తంభం',
  Ethiopic: 'መብራት',
};
const scripts = Object.keys(WORDS) as Script[];

test('scripts are told by their letters, several in one text', () => {
  for (const script of scripts) expect(scriptsOf(`1 – ${WORDS[script]} 🐟`)).toEqual([script]);
  expect(scriptsOf(`${WORDS.Hiragana}${WORDS.Han} ${WORDS.Latin}`)).toEqual([
    'Latin',
    'Han',
    'Hiragana',
  ]);
  expect(scriptsOf('12 + 3 ≤ 15 €')).toEqual([]);
});

test('a family lacks what it has no letters for, but not what is set beside all of them in one way', () => {
  for (const name of FAMILY_NAMES) {
    for (const script of scripts) {
      const has =
        familyOf(name).scripts.includes(script) ||
        ['Thai', 'Han', 'Hiragana', 'Katakana', 'Hangul'].includes(script);
      expect(missingScripts(`A ${WORDS[script]}`, name)).toEqual(has ? [] : [script]);
    }
  }
});
