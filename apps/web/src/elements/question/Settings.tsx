import { optionsOf, setPlaces, type QuestionElement } from '@gobrel/core';
import { Suspense, type ReactElement } from 'react';
import { useDeck } from '../../deck/DeckContext';
import { LinkActions } from '../../links/LinkActions';
import { TargetName } from '../../links/TargetName';
import type { QuestionEditProps } from '../../questions/kind';
import { QUESTION_VIEWS } from '../../questions/registry';
import type { SettingsOf } from '../../settings/settings';
import { Plain, Pop } from '../../ui/controls';

/** Where a question may go at once: a side of the stage, or the whole. */
const SIDES = [
  { label: 'The left side', box: { x: 48, y: 150, w: 568, h: 522 } },
  { label: 'The right side', box: { x: 664, y: 150, w: 568, h: 522 } },
  { label: 'The whole stage', box: { x: 48, y: 48, w: 1184, h: 624 } },
];

export function Settings(props: SettingsOf<QuestionElement>): ReactElement {
  const { slide, element, edit } = props;
  const { run } = useDeck();
  return (
    <>
      <Plain onClick={() => edit.ask(element.id)}>
        {optionsOf(element.question).length > 0 ? 'Options and key' : 'Answer and key'}
      </Plain>
      <Pop label="Fill">
        {(close) => (
          <ul>
            {SIDES.map(({ label, box }) => (
              <li key={label}>
                <Plain
                  onClick={() => {
                    run(setPlaces, slide.id, [{ elementId: element.id, box }]);
                    close();
                  }}
                >
                  {label}
                </Plain>
              </li>
            ))}
          </ul>
        )}
      </Pop>
      {optionsOf(element.question).length > 0 && <OptionLinks {...props} />}
      {edit.asking === element.id && (
        <EditQuestion slideId={slide.id} element={element} onClose={() => edit.ask(null)} />
      )}
    </>
  );
}

function EditQuestion(props: QuestionEditProps): ReactElement {
  const { Edit } = QUESTION_VIEWS[props.element.question.kind];
  return (
    <Suspense>
      <Edit {...props} />
    </Suspense>
  );
}

/** Where the options of a question lead, each with its own handles. */
function OptionLinks(props: SettingsOf<QuestionElement>): ReactElement {
  const { slide, element, linking } = props;
  const { graph } = useDeck();
  const links = graph.waysOut.get(slide.id) ?? [];
  return (
    <Pop label="Options lead to …" width={420}>
      <ul>
        {optionsOf(element.question).map(({ id, text }) => {
          const link = links.find(
            ({ carrier }) => carrier.kind === 'option' && carrier.optionId === id,
          );
          const ask = (): void =>
            linking.ask({ kind: 'option', elementId: element.id, optionId: id, words: text });
          return (
            <li key={id} className="flex min-h-8 items-center gap-2">
              <span className="w-[40%] truncate">{text}</span>
              {link ? (
                <>
                  <span className="flex-1 truncate text-ember-deep">
                    <TargetName target={link.target} />
                  </span>
                  <LinkActions link={link} onChange={ask} />
                </>
              ) : (
                <Plain onClick={ask}>Lead to …</Plain>
              )}
            </li>
          );
        })}
      </ul>
    </Pop>
  );
}
