import { useQuery } from '@tanstack/react-query';
import type { ReactElement } from 'react';
import QRCode from 'qrcode';

/** The join code large, its address, and the same as a QR code. */
export function JoinCard({
  joinCode,
  isLarge,
}: {
  joinCode: string;
  isLarge?: boolean;
}): ReactElement {
  const address = `${window.location.origin}/join?code=${encodeURIComponent(joinCode)}`;
  const code = useQuery({
    queryKey: ['qr', address],
    queryFn: () =>
      QRCode.toDataURL(address, {
        margin: 1,
        width: 480,
        color: { dark: '#1E2B32', light: '#FFFFFF' },
      }),
    staleTime: Infinity,
  });
  return (
    <div className={`grid justify-items-center text-center ${isLarge ? 'gap-6' : 'gap-3'}`}>
      <p className={isLarge ? 'text-[28px]' : 'text-[16px]'}>
        Join at <b>{window.location.host}/join</b> with
      </p>
      <p
        className={`font-head font-bold tracking-[0.08em] ${isLarge ? 'text-[120px] leading-none' : 'text-[52px]'}`}
      >
        {joinCode}
      </p>
      {code.data && (
        <img
          src={code.data}
          alt={`QR code that opens ${address}`}
          width={isLarge ? 300 : 220}
          height={isLarge ? 300 : 220}
          className="rounded-[6px] border border-line"
        />
      )}
    </div>
  );
}
