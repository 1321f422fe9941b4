import { can, CAPABILITIES, ROLES, thingOf, type Capability, type Role } from '../index.js';

/** The table once more, by role: two ways of writing it down do not err alike. */
const MAY: Record<Role, Capability[]> = {
  anyone: [],
  teacher: ['site:bring', 'site:teach'],
  owner: [
    ...([
      'deck:read',
      'deck:comment',
      'deck:write',
      'deck:copy',
      'deck:teach',
      'deck:show',
      'deck:own',
    ] as const),
    ...(['trash:restore', 'lesson:remove', 'class:keep', 'starter:keep', 'theme:keep'] as const),
  ],
  coauthor: [
    'deck:read',
    'deck:comment',
    'deck:write',
    'deck:copy',
    'deck:teach',
    'deck:show',
    'deck:leave',
  ],
  commenter: ['deck:read', 'deck:comment', 'deck:copy', 'deck:show', 'deck:leave'],
  viewer: ['deck:read', 'deck:copy', 'deck:show', 'deck:leave'],
  link: ['deck:read'],
  teaches: ['lesson:teach', 'lesson:watch', 'folio:read'],
  student: [
    ...(['site:bring', 'lesson:wait', 'lesson:attend', 'lesson:watch'] as const),
    ...(['folio:read', 'folio:write'] as const),
  ],
  waiting: ['site:bring', 'lesson:wait'],
  screen: ['lesson:show'],
  reader: ['file:read'],
  hosts: ['show:host', 'show:steer', 'show:follow'],
  steers: ['show:steer', 'show:follow'],
  follows: ['show:follow'],
};

test.each(ROLES)('%s may what stands in the table, and nothing else', (role) => {
  expect(CAPABILITIES.filter((one) => can([role], one))).toEqual(
    CAPABILITIES.filter((one) => one === 'site:visit' || MAY[role].includes(one)),
  );
});

test('who is nothing to a thing may only what anyone may; who is several may all that each of them may', () => {
  expect(CAPABILITIES.filter((one) => can([], one))).toEqual(['site:visit']);
  expect(can(['viewer', 'teaches'], 'lesson:teach')).toBe(true);
  expect(can(['viewer', 'teaches'], 'deck:write')).toBe(false);
});

test('every capability says what it is about', () => {
  expect(new Set(CAPABILITIES.map(thingOf))).toEqual(
    new Set([
      'site',
      'deck',
      'trash',
      'lesson',
      'folio',
      'file',
      'show',
      'class',
      'starter',
      'theme',
    ]),
  );
});
