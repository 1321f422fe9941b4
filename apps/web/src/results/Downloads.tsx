import { xapiStatements } from '@gobrel/core';
import type { ReactElement } from 'react';
import { v5 as uuidOfName } from 'uuid';
import { Button } from '../ui/Button';
import { saveFile } from '../ui/saveFile';
import { Sheet } from '../ui/Sheet';
import { LONG_COLUMNS, longCsv, wideCsv, type Exported } from './exports';

/** The results as files. */
export default function Downloads(props: { exported: Exported; lessonId: string }): ReactElement {
  const { exported, lessonId } = props;
  const name = exported.title.replace(/[^\p{L}\p{N} -]/gu, '').trim() || 'lesson';
  const xapi = (): void => {
    const statements = xapiStatements({
      home: window.location.origin,
      lessonId,
      students: exported.students,
      questions: exported.questions,
      countsLate: exported.countsLate,
      language: exported.language,
      uuidOf: (name) => uuidOfName(name, uuidOfName.URL),
    });
    saveFile(`${name}.xapi.json`, JSON.stringify(statements, null, 2), 'application/json');
  };
  return (
    <Sheet label="Save the results" width={420} trigger={<Button>Save as …</Button>}>
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => saveFile(`${name} long.csv`, longCsv(exported))}>CSV, long</Button>
        <Button onClick={() => saveFile(`${name} wide.csv`, wideCsv(exported))}>CSV, wide</Button>
        <Button onClick={xapi}>xAPI statements</Button>
      </div>
      <h3 className="mt-3 mb-1 text-[14px]">Columns of the long form</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-[12px]">
        {Object.entries(LONG_COLUMNS).map(([column, says]) => (
          <div key={column} className="contents">
            <dt className="font-semibold">{column}</dt>
            <dd className="text-soft">{says}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
