import { LICENCES, licenceWords, type AssetRef, type Credit, type Licence } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState, type ReactElement, type ReactNode } from 'react';
import { PICTURE_TYPES, uploadPicture } from '../api/assets';
import { sentenceOf } from '../api/http';
import { boxPictureUrl, searchPictureBox, takeFromBox } from '../api/pictureBox';
import { Button } from './Button';
import { useNotices } from './Notice';
import { Sheet } from './Sheet';
import { Pop, Select, Setting } from './controls';

/** A picture that somebody chose, with what is known of it. */
export interface ChosenPicture {
  asset: AssetRef;
  credit?: Credit;
  alt?: string;
}

/** A picture from the device or from the picture box that ships with Gobrel. */
export function PicturePop(props: {
  label: string;
  /** Stands in for the pill. */
  trigger?: ReactNode;
  onPicture: (picture: ChosenPicture) => void;
}): ReactElement {
  const content = (choose: () => void): ReactElement => (
    <PictureChoice
      onPicture={(picture) => {
        choose();
        props.onPicture(picture);
      }}
    />
  );
  return props.trigger ? (
    <Sheet label={props.label} trigger={props.trigger} width={420}>
      {content}
    </Sheet>
  ) : (
    <Pop label={props.label} width={420}>
      {content}
    </Pop>
  );
}

const WANTED: { value: Licence | 'any'; label: string }[] = [
  { value: 'any', label: 'any licence' },
  ...LICENCES.filter((licence) => ['cc0', 'cc-by', 'cc-by-sa'].includes(licence)).map((value) => ({
    value,
    label: licenceWords(value),
  })),
];

function PictureChoice(props: { onPicture: (picture: ChosenPicture) => void }): ReactElement {
  const { onPicture } = props;
  const { trouble } = useNotices();
  const file = useRef<HTMLInputElement>(null);
  const [words, setWords] = useState('');
  const [licence, setLicence] = useState<Licence | 'any'>('any');
  const [isBusy, setIsBusy] = useState(false);
  const wanted = useDeferredValue(words.trim());
  const found = useQuery({
    queryKey: ['picture-box', wanted, licence],
    queryFn: () => searchPictureBox(wanted, licence === 'any' ? null : licence),
    staleTime: Infinity,
    placeholderData: (old) => old,
  });
  const take = async (bring: () => Promise<ChosenPicture>): Promise<void> => {
    setIsBusy(true);
    try {
      onPicture(await bring());
    } catch (error) {
      trouble(sentenceOf(error));
    } finally {
      setIsBusy(false);
    }
  };
  return (
    <div className="flex flex-col gap-2" aria-busy={isBusy}>
      <div className="flex items-center gap-2">
        <Button size="small" onClick={() => file.current?.click()} disabled={isBusy}>
          From this device
        </Button>
        <span className="text-soft">or drag or paste one onto the stage</span>
        <input
          ref={file}
          type="file"
          accept={PICTURE_TYPES}
          aria-label="Picture file"
          className="sr-only"
          tabIndex={-1}
          onChange={(event) => {
            const picked = event.target.files?.[0];
            if (picked) void take(async () => ({ asset: await uploadPicture(picked) }));
            event.target.value = '';
          }}
        />
      </div>
      <div className="flex flex-wrap items-center gap-2">
        <input
          aria-label="Search the picture box"
          placeholder="Search the picture box"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className="h-8 min-w-0 flex-1 rounded-[4px] border border-line bg-sheet px-2"
        />
        <Setting label="">
          <Select label="Licence" value={licence} options={WANTED} onChange={setLicence} />
        </Setting>
      </div>
      {found.isError && <p className="text-ember-deep">{sentenceOf(found.error)}</p>}
      {found.data?.length === 0 && <p className="text-soft">Nothing by that name in the box.</p>}
      <ul className="grid grid-cols-4 gap-1.5" aria-label="Picture box">
        {found.data?.map((picture) => (
          <li key={picture.id}>
            <button
              type="button"
              disabled={isBusy}
              title={`${picture.title} · ${licenceWords(picture.licence)}`}
              onClick={() => void take(() => takeFromBox(picture))}
              className="w-full rounded-[4px] border border-line p-1 hover:border-petrol"
            >
              <img
                src={boxPictureUrl(picture.id)}
                alt=""
                loading="lazy"
                className="mx-auto h-[58px] w-full object-contain"
              />
              <span className="block truncate text-[12px]">{picture.title}</span>
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
