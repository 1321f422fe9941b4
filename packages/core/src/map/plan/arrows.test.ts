import * as Y from 'yjs';
import {
  applyPlan,
  inOrder,
  parsePlan,
  planBase,
  planChange,
  printPlan,
  readDeck,
  routeGraph,
} from '../../index.js';

test.each([
  ['- A\n  - Back -> A\n', 'Back', 'A', 'a'],
  ['- The pier\n  - On: Sea\n    - Back→the  PIER\n', 'Back', 'The pier', 'the-pier'],
  ['- A\n  - On -> Off -> A\n- Off -> A\n', 'On', 'Off -> A', 'off-a'],
  ['- Rain?\n  - Back -> Rain\n- Rain\n', 'Back', 'Rain', 'rain-2'],
])('an arrow joins the slide that is called so: %s', (plan, wording, title, slug) => {
  const doc = new Y.Doc();
  const { items } = parsePlan(plan);
  const empty = readDeck(doc);
  applyPlan(doc, planChange(empty, planBase(empty, routeGraph(empty)), items));
  const read = readDeck(doc);
  const { links, slides } = read;
  const link = Object.values(links).find((one) => one.wording === wording);
  expect(link?.target.kind === 'slide' && slides[link.target.slideId]?.title).toBe(title);
  expect(Object.values(slides)).toHaveLength(plan.split('\n').length - 2);
  // Written as the deck writes it, so that nothing is written anew under the hand that types.
  expect(printPlan(items)).toContain(`${wording}: [${title}](#${slug})`);
});

test.each([
  '- Ice\n  - Ice -> water\n',
  '- A\n  - Back \\-> A\n',
  '- A\n- Back -> A\n',
  '- A\n  - Back -> A\n    - with a choice\n',
  '- A\n  - \\(x -> y\\)\n',
])('any other arrow is a sign like others: %s', (plan) => {
  const { items } = parsePlan(plan);
  expect([...inOrder(items)].filter(({ join }) => join)).toEqual([]);
  expect(parsePlan(printPlan(items)).items).toMatchObject(
    JSON.parse(
      JSON.stringify(items, (key, value: unknown) => (key === 'written' ? undefined : value)),
    ) as object[],
  );
});
