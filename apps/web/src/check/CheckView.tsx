import { findingKey, FINDING_KINDS, GROUPS, type Finding, type FindingGroup } from '@gobrel/core';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Centre } from '../ui/Page';
import { useCheck } from '../deck/CheckProvider';
import { DeckNumbers } from './DeckNumbers';
import { FindingCard } from './FindingCard';
import { MetTable } from './MetTable';

const GROUP_NAMES: Record<FindingGroup, string> = {
  routes: 'Routes',
  touch: 'Touch',
  reading: 'Reading',
  pictures: 'Pictures and credits',
  questions: 'Questions',
};
/** Cards drawn at first, and with every “more”. */
const PAGE = 30;

/** What was found in the deck, with the mends at hand, and the deck's numbers beside it. */
export default function CheckView(): ReactElement {
  const { report } = useCheck();
  const [group, setGroup] = useState<FindingGroup | 'all'>('all');
  if (!report) return <Centre>Checking …</Centre>;
  const { findings, setAside } = report;
  const of = (wanted: FindingGroup): Finding[] =>
    findings.filter(({ kind }) => FINDING_KINDS[kind].group === wanted);
  const chip = (value: FindingGroup | 'all', label: string, count: number): ReactElement => (
    <button
      key={value}
      type="button"
      aria-pressed={group === value}
      onClick={() => setGroup(value)}
      className="min-h-8 rounded-full border border-line bg-sheet px-3 text-[13px] text-soft hover:border-petrol aria-pressed:border-petrol aria-pressed:bg-petrol-mist aria-pressed:font-semibold aria-pressed:text-petrol"
    >
      {label} {count}
    </button>
  );
  return (
    <main className="h-full overflow-auto">
      <div className="mx-auto grid max-w-[1240px] grid-cols-1 gap-8 px-6 py-6 lg:grid-cols-[minmax(0,1fr)_280px]">
        <div>
          <h1 className="mb-3 text-[22px]">
            {findings.length === 0
              ? 'Nothing to mend'
              : findings.length === 1
                ? 'One thing to mend'
                : `${findings.length} things to mend`}
          </h1>
          {findings.length === 0 && (
            <p className="mb-6 text-soft">
              Every slide can be reached, every route comes to an ending, and nothing stands in the
              way of reading and touching.
            </p>
          )}
          {findings.length > 0 && (
            <nav aria-label="Groups" className="mb-4 flex flex-wrap gap-2">
              {chip('all', 'All', findings.length)}
              {GROUPS.filter((name) => of(name).length > 0 || group === name).map((name) =>
                chip(name, GROUP_NAMES[name], of(name).length),
              )}
            </nav>
          )}
          {GROUPS.filter((name) => group === 'all' || group === name).map((name) => (
            <Group key={name} name={GROUP_NAMES[name]} findings={of(name)} />
          ))}
          {report.met && (group === 'all' || group === 'questions') && (
            <MetTable met={report.met} />
          )}
          {setAside.length > 0 && (
            <details className="mt-6">
              <summary className="cursor-pointer py-2 font-semibold">
                Set aside: {setAside.length}
              </summary>
              <ul className="mt-2 flex flex-col gap-3">
                {setAside.map(({ finding, reason }) => (
                  <li key={findingKey(finding)}>
                    <FindingCard finding={finding} asideReason={reason} />
                  </li>
                ))}
              </ul>
            </details>
          )}
        </div>
        <DeckNumbers measures={report.measures} />
      </div>
    </main>
  );
}

function Group({ name, findings }: { name: string; findings: Finding[] }): ReactElement | null {
  const [shown, setShown] = useState(PAGE);
  if (findings.length === 0) return null;
  return (
    <section aria-label={name} className="mb-6">
      <h2 className="mb-2 text-[15px] text-soft">{name}</h2>
      <ul className="flex flex-col gap-3">
        {findings.slice(0, shown).map((finding) => (
          <li key={findingKey(finding)}>
            <FindingCard finding={finding} />
          </li>
        ))}
      </ul>
      {findings.length > shown && (
        <Button className="mt-3" onClick={() => setShown(shown + PAGE)}>
          Show {Math.min(PAGE, findings.length - shown)} more of {findings.length - shown}
        </Button>
      )}
    </section>
  );
}
