import { partsOfRef, type Theme } from './theme.js';
import type { SceneColours, Side } from './kind.js';
import type { ThemeName } from './table.js';

/** What the sceneries of our themes are painted with. Apart from the themes: a page without scenery need not have it. */
const SCENE_COLOURS: Record<ThemeName, Record<Side, SceneColours>> = {
  paper: {
    light: {
      sky: '#FBF4E6',
      far: '#E9E2D0',
      mid: '#CFDCDB',
      near: '#A9C4C6',
      deep: '#5E8E97',
      light: '#F2C96B',
      warm: '#D98A5E',
    },
    dark: {
      sky: '#1B262E',
      far: '#2B3C47',
      mid: '#34505B',
      near: '#3F6470',
      deep: '#17505C',
      light: '#E8C06A',
      warm: '#C9764B',
    },
  },
  meadow: {
    light: {
      sky: '#F7F1DC',
      far: '#CFE3D6',
      mid: '#A9CDB7',
      near: '#7FB096',
      deep: '#2F6A53',
      light: '#F4C862',
      warm: '#C4572B',
    },
    dark: {
      sky: '#1E3750',
      far: '#27485A',
      mid: '#23505A',
      near: '#1C4A4C',
      deep: '#0F2F33',
      light: '#F4E3A6',
      warm: '#E79A5C',
    },
  },
  almanac: {
    light: {
      sky: '#F5EAD2',
      far: '#E6D6B2',
      mid: '#A9B98A',
      near: '#6F9455',
      deep: '#44683A',
      light: '#D8B56A',
      warm: '#B23A3A',
    },
    dark: {
      sky: '#231B14',
      far: '#3A2E22',
      mid: '#56633F',
      near: '#6F8450',
      deep: '#8FA468',
      light: '#E0BC72',
      warm: '#CF5F52',
    },
  },
  harbour: {
    light: {
      sky: '#EE9E76',
      far: '#7A4A62',
      mid: '#4A3560',
      near: '#3A2A4C',
      deep: '#34406E',
      light: '#FFF0C4',
      warm: '#F2A65A',
    },
    dark: {
      sky: '#2A2B52',
      far: '#3A3560',
      mid: '#2A2546',
      near: '#1B1830',
      deep: '#131830',
      light: '#FFE9A8',
      warm: '#F2A65A',
    },
  },
  stars: {
    light: {
      sky: '#E6E7F2',
      far: '#C9CDE4',
      mid: '#A8AFD2',
      near: '#7F88BA',
      deep: '#4A548C',
      light: '#B98A22',
      warm: '#B4552D',
    },
    dark: {
      sky: '#0B1230',
      far: '#1B2654',
      mid: '#2A376E',
      near: '#4A5890',
      deep: '#6F7CB0',
      light: '#F3D68A',
      warm: '#E79A5C',
    },
  },
  blueprint: {
    light: {
      sky: '#E2ECF6',
      far: '#C4D7EA',
      mid: '#9FBEDB',
      near: '#6C97C2',
      deep: '#2F6396',
      light: '#2F6396',
      warm: '#C4572B',
    },
    dark: {
      sky: '#1A4670',
      far: '#3B6E9C',
      mid: '#5D8BB4',
      near: '#8FB4D4',
      deep: '#DCEBF7',
      light: '#FFFFFF',
      warm: '#FFC98A',
    },
  },
  pool: {
    light: {
      sky: '#D8EDE6',
      far: '#9CCFC9',
      mid: '#5FAEB0',
      near: '#2F8290',
      deep: '#1D5C6B',
      light: '#E2CDB0',
      warm: '#EC7A4E',
    },
    dark: {
      sky: '#0B2A31',
      far: '#174854',
      mid: '#1F5F6C',
      near: '#2B7C88',
      deep: '#46A0A4',
      light: '#CDB898',
      warm: '#F08A5C',
    },
  },
  chalk: {
    light: {
      sky: '#F0EDE1',
      far: '#D9DCCB',
      mid: '#B4C6B4',
      near: '#86A691',
      deep: '#4C7A63',
      light: '#E0B24A',
      warm: '#C9603A',
    },
    dark: {
      sky: '#213A33',
      far: '#35564B',
      mid: '#6C8F80',
      near: '#A9C4B4',
      deep: '#DCE8DC',
      light: '#F7DE8A',
      warm: '#F2A07A',
    },
  },
  orchard: {
    light: {
      sky: '#F8E8C8',
      far: '#D9DDA4',
      mid: '#B4C47A',
      near: '#86A458',
      deep: '#5C7A3C',
      light: '#F4C862',
      warm: '#C93F36',
    },
    dark: {
      sky: '#3A2C44',
      far: '#4A4056',
      mid: '#46504A',
      near: '#3E5A40',
      deep: '#2C4430',
      light: '#FFE0A0',
      warm: '#E8695A',
    },
  },
  city: {
    light: {
      sky: '#E9DFD8',
      far: '#CBD2DC',
      mid: '#A4B0C2',
      near: '#77869E',
      deep: '#4A5670',
      light: '#F4C25A',
      warm: '#D8573A',
    },
    dark: {
      sky: '#241F3E',
      far: '#2A3354',
      mid: '#222A48',
      near: '#1A213A',
      deep: '#10152A',
      light: '#FFD873',
      warm: '#F08A5C',
    },
  },
  workshop: {
    light: {
      sky: '#EDE2CE',
      far: '#DCCBAC',
      mid: '#C4A77C',
      near: '#9C7B52',
      deep: '#5E4630',
      light: '#F0B84A',
      warm: '#C4502B',
    },
    dark: {
      sky: '#252B31',
      far: '#39434B',
      mid: '#4A565F',
      near: '#66747E',
      deep: '#8E9BA4',
      light: '#FFC95A',
      warm: '#E8703E',
    },
  },
  attic: {
    light: {
      sky: '#F0E0C8',
      far: '#E0C9A8',
      mid: '#C2A07A',
      near: '#94714F',
      deep: '#5E4430',
      light: '#F8DC8C',
      warm: '#A8452E',
    },
    dark: {
      sky: '#1E1614',
      far: '#33271F',
      mid: '#4A382B',
      near: '#644B38',
      deep: '#86664A',
      light: '#FFE3A0',
      warm: '#D8694A',
    },
  },
};

/** What the scenery of a theme is painted with. */
export function sceneColours({
  ref,
  side,
  scene,
}: Pick<Theme, 'ref' | 'side' | 'scene'>): SceneColours {
  const { name } = partsOfRef(ref);
  const ours = Object.hasOwn(SCENE_COLOURS, name) ? (name as ThemeName) : 'paper';
  return scene ?? SCENE_COLOURS[ours][side];
}

/** What the colour picker offers first, and charts are drawn in. */
export function swatchesOf(theme: Theme): string[] {
  const { ink, head, choiceInk } = theme.colours;
  const { warm, light, near, deep, mid } = sceneColours(theme);
  return [...new Set([ink, head, choiceInk, warm, light, near, deep, mid, '#FFFFFF'])];
}
