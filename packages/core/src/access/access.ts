/**
 * Who may what, in one table. A role is what somebody is to a thing: the same person is owner of one deck and nobody to
 * another, and may be several at once. Roles that the interface does not offer yet are in it all the same.
 */
export const ROLES = [
  /** Everybody, signed in or not. */
  'anyone',
  /** Signed in to this server. */
  'teacher',
  /* To a deck; `owner` also to a class list or a starter. */
  'owner',
  'coauthor',
  'commenter',
  'viewer',
  /** Has the address under which a deck is published. */
  'link',
  /** May write the deck that a lesson is held with. */
  'teaches',
  /** Has been let into a lesson; to a folio: the one whose it is. */
  'student',
  /** Has joined a lesson and has not been let in yet. */
  'waiting',
  /** A device that was paired with a lesson as its big screen. */
  'screen',
  /** Gives a show. */
  'hosts',
  /** A device that was paired with a show, to steer it. */
  'steers',
  /** A device that follows a show. */
  'follows',
  /** May read something that shows a picture, plays a sound or offers a file, or has brought it. */
  'reader',
] as const;
export type Role = (typeof ROLES)[number];

/** What is done to things, by the kind of thing before the colon. */
export const CAPABILITIES = [
  'site:visit',
  'site:bring',
  'site:teach',
  'deck:read',
  'deck:comment',
  'deck:write',
  'deck:copy',
  'deck:teach',
  'deck:show',
  'deck:own',
  'deck:leave',
  'trash:restore',
  'lesson:teach',
  'lesson:remove',
  'lesson:wait',
  'lesson:attend',
  'lesson:watch',
  'lesson:show',
  'show:host',
  'show:steer',
  'show:follow',
  'folio:read',
  'folio:write',
  'file:read',
  'class:keep',
  'starter:keep',
  'theme:keep',
] as const;
export type Capability = (typeof CAPABILITIES)[number];

/** What a capability is about. */
export type Thing = Capability extends infer C
  ? C extends `${infer T}:${string}`
    ? T
    : never
  : never;

/** Whoever is not named in a line may not. */
const TABLE: Readonly<Record<Capability, readonly Role[]>> = {
  /** Sign up and in, look a lesson up and join it, become a big screen. */
  'site:visit': ['anyone'],
  /** Bring pictures: to decks and to leaves. */
  'site:bring': ['teacher', 'student', 'waiting'],
  /** Have decks, classes, starters, sounds and files of one's own. */
  'site:teach': ['teacher'],
  'deck:read': ['owner', 'coauthor', 'commenter', 'viewer', 'link'],
  'deck:comment': ['owner', 'coauthor', 'commenter'],
  'deck:write': ['owner', 'coauthor'],
  'deck:copy': ['owner', 'coauthor', 'commenter', 'viewer'],
  /** Start lessons with it, and see how earlier ones went. */
  'deck:teach': ['owner', 'coauthor'],
  /** Give a show of it that others follow. */
  'deck:show': ['owner', 'coauthor', 'commenter', 'viewer'],
  /** Share it, throw it away. */
  'deck:own': ['owner'],
  /** Give up what one is to it. */
  'deck:leave': ['coauthor', 'commenter', 'viewer'],
  'trash:restore': ['owner'],
  'lesson:teach': ['teaches'],
  'lesson:remove': ['owner'],
  'lesson:wait': ['waiting', 'student'],
  'lesson:attend': ['student'],
  /** Follow where the class is. */
  'lesson:watch': ['teaches', 'student'],
  /** Be given what is put up, without names. */
  'lesson:show': ['screen'],
  /** Say who else steers it, end it. */
  'show:host': ['hosts'],
  'show:steer': ['hosts', 'steers'],
  'show:follow': ['hosts', 'steers', 'follows'],
  'folio:read': ['teaches', 'student'],
  'folio:write': ['student'],
  'file:read': ['reader'],
  'class:keep': ['owner'],
  'starter:keep': ['owner'],
  'theme:keep': ['owner'],
};

/** Whether somebody who is all this to a thing may do something to it. The default is no. */
export const can = (roles: readonly Role[], capability: Capability): boolean =>
  TABLE[capability].some((role) => role === 'anyone' || roles.includes(role));

export const thingOf = (capability: Capability): Thing => capability.split(':')[0] as Thing;
