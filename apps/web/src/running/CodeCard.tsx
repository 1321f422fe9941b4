import { useQuery } from '@tanstack/react-query';
import QRCode from 'qrcode';
import type { ReactElement } from 'react';

/** An address that is read by a camera, or typed with its code. */
export function CodeCard(props: {
  /** What one does there, as 'Follow at'. */
  lead: string;
  path: string;
  code: string;
  size: 'small' | 'normal' | 'large';
}): ReactElement {
  const { lead, path, code, size } = props;
  const address = `${window.location.origin}${path}/${code.toLowerCase().replace(/\s/g, '')}`;
  const picture = useQuery({
    queryKey: ['qr', address],
    queryFn: () =>
      QRCode.toDataURL(address, {
        margin: 1,
        width: 480,
        color: { dark: '#1E2B32', light: '#FFFFFF' },
      }),
    staleTime: Infinity,
  });
  const width = { small: 92, normal: 190, large: 320 }[size];
  const isSmall = size === 'small';
  return (
    <div
      className={
        isSmall
          ? 'flex items-center gap-3 text-left'
          : 'grid justify-items-center gap-3 text-center'
      }
    >
      <div className={isSmall ? 'order-2' : ''}>
        <p className={{ small: 'text-[13px]', normal: 'text-[15px]', large: 'text-[26px]' }[size]}>
          {lead}{' '}
          <b>
            {window.location.host}
            {path}
          </b>
        </p>
        <p
          className={`font-head font-bold tracking-[0.06em] ${{ small: 'text-[26px]', normal: 'text-[40px]', large: 'text-[92px] leading-none' }[size]}`}
        >
          {code}
        </p>
      </div>
      {picture.data && (
        <img
          src={picture.data}
          alt={`QR code that opens ${address}`}
          width={width}
          height={width}
          className="rounded-[6px] border border-line"
        />
      )}
    </div>
  );
}
