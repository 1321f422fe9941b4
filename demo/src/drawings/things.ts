import { drawn, filled, svg } from './hand.js';

/** Things that students move, each alone on its own ground: 160 × 120. */
const thing = (body: string): string => svg(body, 160, 120);

export const THINGS = {
  crab: thing(
    drawn(
      'M46 74 L18 92 L12 108 M50 82 L30 104 M112 74 L142 92 L148 108 M110 82 L130 104',
      '#8E3518',
      7,
    ) +
      drawn('M46 62 Q24 56 26 36 M114 62 Q136 56 134 36', '#A8401F', 9) +
      filled(
        'M14 36 Q12 14 32 12 Q26 24 34 26 Q42 22 40 12 Q54 24 38 40Z M146 36 Q148 14 128 12 Q134 24 126 26 Q118 22 120 12 Q106 24 122 40Z',
        '#C9522B',
      ) +
      filled('M34 66 Q40 42 80 42 Q120 42 126 66 Q118 98 80 98 Q42 98 34 66Z', '#C9522B') +
      filled('M46 62 Q60 48 90 50 Q72 56 60 70Z', '#E88A5E', 'opacity="0.7"') +
      drawn('M62 80 Q80 90 98 80', '#8E3518', 4) +
      drawn('M66 46 V36 M94 46 V36', '#8E3518', 4) +
      '<circle cx="66" cy="32" r="6" fill="#1E2B32"/><circle cx="94" cy="32" r="6" fill="#1E2B32"/><circle cx="68" cy="30" r="2" fill="#fff"/><circle cx="96" cy="30" r="2" fill="#fff"/>',
  ),
  limpet: thing(
    filled('M18 98 Q46 20 84 18 Q116 24 142 98 Q80 110 18 98Z', '#B8A482') +
      filled('M84 18 Q116 24 142 98 Q118 104 96 104Z', '#8F7B5C') +
      drawn('M82 22 L44 100 M84 20 L70 103 M86 22 L100 103 M88 26 L124 100', '#6B5B4C', 3.5) +
      drawn('M40 66 Q80 54 122 64 M28 86 Q80 76 134 84', '#D8C8A6', 3),
  ),
  weed: thing(
    drawn(
      'M58 114 Q30 84 58 54 T46 12 M84 114 Q70 80 88 52 T84 8 M104 114 Q130 84 106 54 T122 16',
      '#3F6B3A',
      12,
    ) +
      drawn(
        'M58 110 Q34 84 60 56 T50 18 M84 110 Q74 80 90 54 T86 14 M104 110 Q126 86 108 56 T120 22',
        '#6B9A52',
        4,
      ) +
      '<g fill="#7FA95C"><circle cx="52" cy="40" r="6"/><circle cx="92" cy="34" r="6"/><circle cx="114" cy="42" r="6"/><circle cx="46" cy="76" r="5"/></g>',
  ),
  anemone: thing(
    drawn(
      'M56 66 Q44 46 32 34 M64 62 Q58 38 50 22 M74 60 Q72 34 70 14 M86 60 Q90 34 94 14 M96 62 Q104 38 112 24 M104 66 Q118 48 130 36',
      '#D9603A',
      9,
    ) +
      drawn(
        'M32 34 l-2 -2 M50 22 l0 -2 M70 14 v-2 M94 14 v-2 M112 24 l1 -2 M130 36 l2 -2',
        '#F6C6A8',
        9,
      ) +
      filled('M50 64 Q80 78 110 64 L116 108 Q80 120 44 108Z', '#9A3A24') +
      filled('M84 72 Q100 70 110 64 L116 108 Q104 112 92 114Z', '#000', 'opacity="0.18"') +
      drawn('M62 74 V110 M80 78 V114 M98 74 V110', '#C2502C', 3),
  ),
  starfish: thing(
    filled(
      'M80 8 Q90 34 96 44 Q112 44 138 42 Q122 62 106 72 Q110 90 120 112 Q98 104 80 90 Q62 104 40 112 Q50 90 54 72 Q38 62 22 42 Q48 44 64 44 Q70 34 80 8Z',
      '#D9952F',
    ) +
      filled('M80 8 Q90 34 96 44 Q112 44 138 42 Q110 56 80 66Z', '#F2BE5E', 'opacity="0.7"') +
      '<g fill="#FBE3AE"><circle cx="80" cy="28" r="3"/><circle cx="80" cy="44" r="3.4"/><circle cx="80" cy="62" r="4"/><circle cx="108" cy="52" r="3"/><circle cx="94" cy="57" r="3.4"/><circle cx="52" cy="52" r="3"/><circle cx="66" cy="57" r="3.4"/><circle cx="100" cy="92" r="3"/><circle cx="90" cy="79" r="3.4"/><circle cx="60" cy="92" r="3"/><circle cx="70" cy="79" r="3.4"/></g>',
  ),
  mussel: thing(
    filled('M22 92 Q34 14 120 22 Q150 30 138 58 Q112 108 22 92Z', '#2B3D55') +
      filled('M28 84 Q48 30 118 30 Q136 34 132 48 Q80 44 28 84Z', '#4C668C') +
      drawn('M34 88 Q80 56 134 56 M38 92 Q84 74 126 72 M36 78 Q64 42 116 36', '#8FA6C6', 2.6) +
      drawn('M22 92 Q70 100 112 82', '#16222F', 3),
  ),
  copperWire: thing(
    drawn('M10 84 Q30 84 40 60', '#A85A2A', 7) +
      [44, 60, 76, 92, 108]
        .map(
          (x) =>
            `<ellipse cx="${x}" cy="58" rx="15" ry="34" fill="none" stroke="#A85A2A" stroke-width="8"/><path d="M${x - 12} 40 Q${x - 2} 20 ${x + 9} 34" fill="none" stroke="#F0A870" stroke-width="4" stroke-linecap="round"/>`,
        )
        .join('') +
      drawn('M120 62 Q130 92 152 88', '#A85A2A', 7) +
      drawn('M10 82 q10 0 14 -4 M136 86 q8 4 16 1', '#F0A870', 3),
  ),
  string: thing(
    '<circle cx="76" cy="58" r="44" fill="#E6DCC4"/>' +
      drawn(
        'M38 44 Q76 20 114 42 M34 58 Q76 36 118 58 M36 74 Q76 54 116 74 M46 90 Q76 76 106 92 M54 22 Q36 60 60 98 M76 14 Q58 58 82 102 M98 22 Q86 60 102 94',
        '#B8A98A',
        4,
      ) +
      drawn('M116 72 Q140 80 134 98 T152 110', '#D3C6A6', 5),
  ),
  twig: thing(
    drawn('M10 96 Q60 78 96 52 T150 20', '#CDB894', 11) +
      drawn('M62 76 Q70 50 58 30 M96 52 Q118 60 134 58', '#CDB894', 6) +
      drawn('M34 90 l4 -7 M76 70 l5 -7 M112 46 l5 -7 M132 34 l4 -7', '#6B4A2C', 3) +
      drawn('M14 92 Q60 74 94 50 T146 20', '#EFE3C8', 3) +
      filled('M58 30 Q44 26 42 10 Q60 12 60 30Z M134 58 Q142 46 156 52 Q150 66 134 58Z', '#7C9A4E'),
  ),
} as const;
