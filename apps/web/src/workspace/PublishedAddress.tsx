import { entryAt, titleOf, type Publication } from '@gobrel/core';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactElement } from 'react';
import QRCode from 'qrcode';
import { useDeck } from '../deck/DeckContext';
import { useOwnPlace } from '../deck/presence';
import { labelOf } from '../editing/labelOf';
import { CopyLine } from '../ui/CopyLine';
import { Segments } from '../ui/Segments';
import { comesAt, whenAt } from '../ui/when';

/** How high the band under a slide is, in pixels. */
const BAND = 52;
const SIZES = { small: 480, middle: 640, large: 960 } as const;
type Size = keyof typeof SIZES | 'fitting';

/** Where a published deck is: its address, that of one place in it, and the HTML with which it stands elsewhere. */
export function PublishedAddress({ publication }: { publication: Publication }): ReactElement {
  const { deck } = useDeck();
  const { code, endsAt, publishedAt } = publication;
  const isOver = endsAt !== null && new Date(endsAt) < new Date();
  const place = useOwnPlace();
  const slide = entryAt(deck.slides, place.slideId);
  const inHand = slide?.elements.find(({ id }) => id === place.selected[0]);
  const [leads, setLeads] = useState<'deck' | 'slide' | 'thing'>('deck');
  const base = `${location.origin}/at/${code}`;
  const to =
    leads === 'thing' && slide && inHand
      ? `?to=${slide.id}.${inHand.id}`
      : leads !== 'deck' && slide
        ? `?to=${slide.id}`
        : '';
  const address = `${base}${to}`;
  const picture = useQuery({
    queryKey: ['qr', address],
    queryFn: () =>
      QRCode.toDataURL(address, {
        margin: 1,
        width: 320,
        color: { dark: '#1E2B32', light: '#FFFFFF' },
      }),
    staleTime: Infinity,
  });
  return (
    <section aria-label="Address" className="flex flex-wrap gap-4">
      <div className="min-w-[260px] flex-1">
        <p className="text-[14px] text-soft">
          {isOver
            ? 'Its time has ended: nobody can read it until you set another end.'
            : `Anyone walks it at this address. Published ${whenAt(publishedAt)}${endsAt ? `; until ${comesAt(endsAt)}` : ''}.`}
        </p>
        <p className="mt-1 font-head text-[22px] font-semibold wrap-anywhere">
          {location.host}/at/{code}
        </p>
        {slide && (
          <div className="mt-2">
            <Segments
              label="Where the address leads"
              value={leads}
              options={[
                { value: 'deck', label: 'To the start' },
                { value: 'slide', label: 'To this slide' },
                ...(inHand ? [{ value: 'thing' as const, label: 'To what is in hand' }] : []),
              ]}
              onChange={setLeads}
            />
            {leads !== 'deck' && (
              <p className="mt-1 text-[13px] text-soft">
                {leads === 'thing' && inHand
                  ? `${labelOf(inHand)}, on “${titleOf(slide)}”`
                  : `“${titleOf(slide)}”`}
                . It stays right when slides are moved.
              </p>
            )}
          </div>
        )}
        <CopyLine label="Address of the published deck" value={address} copy="Copy the address" />
        {publication.sites?.length === 0 ? null : (
          <Embedding address={address} title={deck.title} />
        )}
      </div>
      {picture.data && (
        <img
          src={picture.data}
          alt={`QR code that opens ${address}`}
          width={150}
          height={150}
          className="size-[150px] rounded-[6px] border border-line"
        />
      )}
    </section>
  );
}

/** What is pasted into a page of another site. */
function Embedding({ address, title }: { address: string; title: string }): ReactElement {
  const [size, setSize] = useState<Size>('fitting');
  const named = title.replace(/&/g, '&amp;').replace(/"/g, '&quot;').replace(/</g, '&lt;');
  const width = size === 'fitting' ? 0 : SIZES[size];
  const fixed = `<iframe src="${address}" title="${named}" width="${width}" height="${Math.round((width * 9) / 16) + BAND}" style="border:0" allow="fullscreen"></iframe>`;
  const fitting = `<iframe src="${address}" title="${named}" style="border:0;width:100%;aspect-ratio:16/10" allow="fullscreen"></iframe>`;
  return (
    <div className="mt-3">
      <p className="mb-1 text-[14px] font-semibold">For a page of another site</p>
      <Segments
        label="Size on the page"
        value={size}
        options={[
          { value: 'fitting', label: 'As wide as its place' },
          { value: 'small', label: '480' },
          { value: 'middle', label: '640' },
          { value: 'large', label: '960' },
        ]}
        onChange={setSize}
      />
      <CopyLine
        label="HTML to paste"
        value={size === 'fitting' ? fitting : fixed}
        copy="Copy the HTML"
        isLong
      />
      <a
        href="/stand-ins/school-site"
        target="_blank"
        rel="noreferrer"
        className="inline-flex min-h-8 items-center text-[13px] text-petrol underline underline-offset-4"
      >
        Try it on a school’s page
      </a>
    </div>
  );
}
