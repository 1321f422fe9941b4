import type { XapiStatement } from '../results/xapi.js';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/i;
/** RFC 3339, with its time zone. */
const TIME = /^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?(?:Z|[+-]\d\d:\d\d)$/;
/** RFC 5646, as far as it is used here. */
const LANGUAGE = /^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/;
const NUMBER = /^-?\d+(?:\.\d+)?(?:e[+-]?\d+)?$/;

/** Which parts an interaction may name (xAPI 1.0.3, part two, 2.4.4.1, interaction components). */
const PARTS: Record<string, readonly string[]> = {
  'true-false': [],
  choice: ['choices'],
  'fill-in': [],
  'long-fill-in': [],
  numeric: [],
  matching: ['source', 'target'],
  sequencing: ['choices'],
  likert: ['scale'],
  other: [],
  performance: ['steps'],
};

/** What a statement breaks of the rules of xAPI 1.0.3, part two; nothing for a valid one. */
export function xapiFaults(statement: XapiStatement): string[] {
  const faults: string[] = [];
  const must = (holds: boolean, what: string): void => void (holds || faults.push(what));
  const { id, timestamp, actor, verb, object, result, version } = statement;
  const isIri = (iri: string): boolean => URL.canParse(iri) && /^[a-z][a-z\d+.-]*:/i.test(iri);
  must(UUID.test(id), '2.4.1: the id is a UUID');
  must(TIME.test(timestamp), '4.5: the time is one of ISO 8601 with its zone');
  must(/^1\.0\.\d+$/.test(version), '2.4.10: the version begins with 1.0.');
  must(actor.objectType === 'Agent' && actor.name !== '', '2.4.2.1: the actor is an agent');
  must(isIri(actor.account.homePage) && actor.account.name !== '', '2.4.2.4: by one account');
  must(isIri(verb.id), '2.4.3: the verb is an IRI');
  must(object.objectType === 'Activity' && isIri(object.id), '2.4.4.1: the object is an activity');
  must(isIri(object.definition.type), '2.4.4.1: its type is an IRI');
  for (const tag of [...Object.keys(verb.display), ...Object.keys(object.definition.name)]) {
    must(LANGUAGE.test(tag), '4.2: a language map is keyed by language tags');
  }
  const { interactionType, correctResponsesPattern: patterns } = object.definition;
  const allowed = PARTS[interactionType];
  must(allowed !== undefined, '2.4.4.1: the interaction type is one of ten');
  const ids: Record<string, Set<string>> = {};
  for (const name of ['choices', 'source', 'target', 'scale', 'steps'] as const) {
    const parts = (object.definition as Record<string, unknown>)[name] as
      { id: string; description: Record<string, string> }[] | undefined;
    if (!parts) continue;
    must(allowed?.includes(name) === true, `2.4.4.1: ${interactionType} has no ${name}`);
    ids[name] = new Set(parts.map((part) => part.id));
    must(ids[name].size === parts.length, '2.4.4.1: parts have an identity of their own each');
    must(
      parts.every((part) => part.id !== '' && !/\[[,.:]\]|\s/.test(part.id)),
      '2.4.4.1: identities of parts have neither blanks nor delimiters',
    );
    for (const { description } of parts) {
      must(
        Object.entries(description).every(
          ([tag, text]) => LANGUAGE.test(tag) && typeof text === 'string',
        ),
        '4.2: parts are described by language maps',
      );
    }
  }
  const written = [
    ...(patterns ?? []).map((text) => ({ text, isPattern: true })),
    { text: result.response, isPattern: false },
  ];
  must(patterns === undefined || patterns.length > 0, '2.4.4.1: patterns are some');
  for (const { text, isPattern } of written) {
    must(typeof text === 'string', 'a response is a text');
    const bare = isPattern ? text.replace(/^(?:\{[a-z_]+=[^}]*\})+/, '') : text;
    const some = bare === '' ? [] : bare.split('[,]');
    if (interactionType === 'choice' || interactionType === 'sequencing') {
      must(
        some.every((part) => ids.choices!.has(part)),
        `C: ${interactionType} names its choices`,
      );
    } else if (interactionType === 'matching') {
      must(
        some.every((pair) => {
          const [from, to, ...more] = pair.split('[.]');
          return ids.source!.has(from!) && ids.target!.has(to ?? '') && more.length === 0;
        }),
        'C: matching joins sources to targets',
      );
    } else if (interactionType === 'numeric') {
      const ends = isPattern ? bare.split('[:]') : [bare];
      must(
        ends.length <= 2 && ends.every((end) => NUMBER.test(end)),
        'C: numeric has plain numbers',
      );
    }
  }
  const { score, success, completion } = result;
  must(success === undefined || typeof success === 'boolean', '2.4.5: success is true or false');
  must(typeof completion === 'boolean', '2.4.5: completion is true or false');
  if (score) {
    const { scaled, raw, min, max } = score;
    must(scaled >= -1 && scaled <= 1, '2.4.5.1: scaled is from −1 to 1');
    must(min === undefined || max === undefined || max > min, '2.4.5.1: max is more than min');
    must(
      raw === undefined || (raw >= (min ?? raw) && raw <= (max ?? raw)),
      '2.4.5.1: raw is between',
    );
  }
  return faults;
}
