import type { Mail } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import { http, sentenceOf } from '../api/http';
import { Centre, Header } from '../ui/Page';
import { whenAt } from '../ui/when';

/** The stand-in for mail: letters that would have been sent, the newest first. */
export default function OutboxPage(): ReactElement {
  const mails = useQuery({
    queryKey: ['outbox'],
    queryFn: () => http.get<Mail[]>('outbox'),
    refetchInterval: 5000,
    retry: false,
  });
  return (
    <div className="flex min-h-full flex-col">
      <Header left={<span className="font-head text-[17px] font-semibold">Outbox</span>} />
      {mails.error ? (
        <Centre title="Not shown">{sentenceOf(mails.error)}</Centre>
      ) : (
        <main className="mx-auto w-full max-w-[760px] px-6 py-8">
          <h1 className="text-[30px]">Letters that would have been sent</h1>
          <p className="mt-1 mb-6 text-soft">
            This server has nobody who takes its mail. With an SMTP server in its settings letters
            go out, and none is kept here.
          </p>
          {mails.data?.length === 0 && <p className="text-soft">No letter has been written yet.</p>}
          <ul className="flex flex-col gap-4">
            {mails.data?.map(({ id, address, subject, words, createdAt }) => (
              <li key={id}>
                <article className="rounded-[6px] border border-line bg-sheet px-5 py-4">
                  <p className="flex flex-wrap gap-x-3 text-[13px] text-soft">
                    <span className="wrap-anywhere">To {address}</span>
                    <span className="ml-auto">{whenAt(createdAt)}</span>
                  </p>
                  <h2 className="mt-1 text-[18px] wrap-anywhere">{subject}</h2>
                  <p className="mt-2 whitespace-pre-wrap wrap-anywhere">{withLinks(words)}</p>
                </article>
              </li>
            ))}
          </ul>
        </main>
      )}
    </div>
  );
}

/** Addresses in a letter can be followed, as in any reader of mail. */
const withLinks = (words: string): (string | ReactElement)[] =>
  words.split(/(https?:\/\/[^\s]+)/).map((part, at) =>
    at % 2 === 0 ? (
      part
    ) : (
      <a
        key={at}
        href={part}
        className="inline-block min-h-6 text-petrol underline underline-offset-4"
      >
        {part}
      </a>
    ),
  );
