import type { ThemeColours, ThemeData } from './kind.js';

/** The colours of a side: paper, ink, titles, choices and their ink, shapes, lines. */
function colours(all: string): ThemeColours {
  const [paper, ink, head, choiceFill, choiceInk, shapeFill, line] = all.split(' ') as Seven;
  return { paper, ink, head, choiceFill, choiceInk, shapeFill, line };
}
type Seven = [string, string, string, string, string, string, string];

/** Our themes. Every ink stands out from what it lies on, scenery included: `themes.test.ts` reckons all of them. */
export const THEME_TABLE = {
  paper: {
    label: 'Paper',
    head: 'bricolage',
    body: 'atkinson',
    headWeight: 700,
    scenery: 'sheets',
    dress: { choice: 'card', corner: 6, edge: 'hair', bullet: 'disc', ornament: 'rule' },
    light: colours('#FFFDF7 #1E2B32 #1E2B32 #FFFAF0 #8E3518 #E1EBEC #DED6C6'),
    dark: colours('#22303A #F6F1E4 #FFFFFF #FFFAF0 #8E3518 #37505C #4D6069'),
  },
  meadow: {
    label: 'Meadow',
    head: 'fredoka',
    body: 'lexend',
    headWeight: 600,
    scenery: 'hills',
    dress: { choice: 'sign', corner: 6, edge: 'none', bullet: 'arrow', ornament: 'tufts' },
    light: colours('#F5F0DA #22352B #1F3A2D #8A5A2B #FFFFFF #DCE8CC #C9CFAE'),
    dark: colours('#16283A #F1F4E4 #F7E7B0 #E7B45A #2A1C0C #24404A #3A5560'),
  },
  almanac: {
    label: 'Almanac',
    head: 'literata',
    body: 'literata',
    headWeight: 650,
    scenery: 'herbarium',
    dress: { choice: 'label', corner: 2, edge: 'hair', bullet: 'arrow', ornament: 'diamonds' },
    light: colours('#F8F0DF #33261C #3A2218 #FFFAEE #7A3420 #EBDCC0 #D6C19B'),
    dark: colours('#2A2119 #F5EAD2 #F4D9A6 #F8F0DF #6A2C1A #43362A #5A4A38'),
  },
  harbour: {
    label: 'Harbour',
    head: 'literata',
    body: 'atkinson',
    headWeight: 700,
    scenery: 'harbour',
    dress: { choice: 'ticket', corner: 4, edge: 'none', bullet: 'dash', ornament: 'wave' },
    light: colours('#F7DDB4 #2B1D33 #241530 #FFF6E0 #7E2433 #F6C9A0 #E0A983'),
    dark: colours('#1B2038 #F6EBD9 #FFE2AE #FFF0CF #5A1F33 #2D3557 #434C74'),
  },
  stars: {
    label: 'Star chart',
    head: 'rubik',
    body: 'lexend',
    headWeight: 600,
    scenery: 'stars',
    dress: { choice: 'pill', corner: 28, edge: 'firm', bullet: 'star', ornament: 'stars' },
    light: colours('#F2F1EA #1D2340 #232A5C #FFFFFF #2A3272 #DEE0EE #BFC3DC'),
    dark: colours('#10183A #F2F0E4 #FFFFFF #16204A #FFF3CF #1F2B5C #B89A55'),
  },
  blueprint: {
    label: 'Blueprint',
    head: 'jetbrains-mono',
    body: 'lexend',
    headWeight: 700,
    scenery: 'blueprint',
    dress: { choice: 'plate', corner: 3, edge: 'double', bullet: 'cross', ornament: 'ticks' },
    light: colours('#EEF4FA #143A5E #0F2F50 #FFFFFF #143A5E #D6E4F1 #A9C3DC'),
    dark: colours('#1E4D78 #F3F8FC #FFFFFF #EAF3FB #123A5E #2B5F8E #5D8BB4'),
  },
  pool: {
    label: 'Tide pool',
    head: 'rubik',
    body: 'noto-sans',
    headWeight: 700,
    scenery: 'pool',
    dress: { choice: 'pill', corner: 30, edge: 'none', bullet: 'point', ornament: 'dots' },
    light: colours('#E4F2EC #14393F #0F3A40 #FFFDF7 #0F4A52 #C9E4DD #A9CFC8'),
    dark: colours('#0E333B #EAF6F0 #FFFFFF #F6FBF6 #0F4A52 #1A4C55 #2F6670'),
  },
  chalk: {
    label: 'Chalk',
    head: 'playpen',
    body: 'atkinson',
    headWeight: 700,
    scenery: 'chalk',
    dress: { choice: 'card', corner: 14, edge: 'dashed', bullet: 'dash', ornament: 'stitches' },
    light: colours('#F6F3EA #2B2F2A #26473A #FFFFFF #26473A #E4E7DA #B9BFAE'),
    dark: colours('#26423A #F4F2E6 #FFFFFF #2E4D44 #FFF3C4 #335449 #A9BFB0'),
  },
  orchard: {
    label: 'Orchard',
    head: 'fredoka',
    body: 'noto-sans',
    headWeight: 600,
    scenery: 'orchard',
    dress: { choice: 'pill', corner: 22, edge: 'hair', bullet: 'arrow', ornament: 'tufts' },
    light: colours('#FBF3E3 #3A2A1C #7A2E22 #FFFDF6 #8A2F22 #F3E2C2 #E2CBA0'),
    dark: colours('#2B2438 #F6EEDD #FFD9A8 #FBF3E3 #7A2E22 #41384F #5A4E68'),
  },
  city: {
    label: 'City',
    head: 'bricolage',
    body: 'lexend',
    headWeight: 800,
    scenery: 'city',
    dress: { choice: 'slab', corner: 0, edge: 'firm', bullet: 'cross', ornament: 'rule' },
    light: colours('#F4F1EC #23262F #1B1E28 #23262F #FFE9B0 #DFE2E8 #C4C8D2'),
    dark: colours('#141A2C #F1EFE8 #FFFFFF #FFD873 #1A1405 #26304A #3C4868'),
  },
  workshop: {
    label: 'Workshop',
    head: 'rubik',
    body: 'atkinson',
    headWeight: 700,
    scenery: 'workshop',
    dress: { choice: 'label', corner: 4, edge: 'firm', bullet: 'arrow', ornament: 'ticks' },
    light: colours('#F3EBDD #2E2A25 #24313A #FFF8E8 #8A3A14 #E4D6BE #CDB993'),
    dark: colours('#2B3238 #F3ECDF #FFD68A #FFE9C0 #5A2A10 #3D474F #56626B'),
  },
  attic: {
    label: 'Attic',
    head: 'noto-serif',
    body: 'noto-sans',
    headWeight: 700,
    scenery: 'attic',
    dress: { choice: 'label', corner: 2, edge: 'dashed', bullet: 'point', ornament: 'double' },
    light: colours('#F6EDE2 #38291F #54301F #FFF7E6 #7A3A1A #E8D8C2 #CFB694'),
    dark: colours('#261D1A #F5E9DA #FFDCA4 #F6E6C8 #5E2A14 #3D302A #574740'),
  },
} as const satisfies Record<string, ThemeData>;

export type ThemeName = keyof typeof THEME_TABLE;
