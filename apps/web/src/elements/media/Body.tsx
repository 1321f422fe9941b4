import type { MediaElement } from '@gobrel/core';
import { Clapperboard, Volume2 } from 'lucide-react';
import { useContext, useEffect, useRef, useState, type ReactElement } from 'react';
import { assetUrl, mediaUrl } from '../../api/assets';
import { Playing } from './Playing';
import type { BodyProps } from '../kind';

/** A sound or a video: it can be played where a slide is live, elsewhere it only stands there. */
export default function Body(
  props: Pick<BodyProps<MediaElement>, 'element' | 'scale'> & {
    /** Its transcript is told elsewhere. */
    isPlain?: boolean;
  },
): ReactElement {
  const { element, scale } = props;
  const player = useContext(Playing);
  const { medium, poster, name } = element;
  const isLive = player !== null;
  // A sound that runs on is played by the page, not by the slide.
  const isElsewhere = medium === 'sound' && element.runsOn && isLive;
  const label = name || (medium === 'sound' ? 'Sound' : 'Video');
  if (isLive && !isElsewhere) return <LiveMedia {...props} label={label} />;
  return (
    <div className="flex size-full items-center justify-center gap-3 overflow-hidden rounded-[8px] bg-ink/85 text-white">
      {poster && (
        <img
          src={assetUrl(poster, element.box.w * scale)}
          alt=""
          className="absolute inset-0 size-full object-cover"
        />
      )}
      <span
        className="relative flex max-w-full items-center gap-2 rounded-full bg-ink/80 px-4 py-2"
        style={{ fontSize: 22 }}
      >
        {medium === 'sound' ? (
          <Volume2 size={26} aria-hidden />
        ) : (
          <Clapperboard size={26} aria-hidden />
        )}
        <span className="truncate">{label}</span>
      </span>
    </div>
  );
}

function LiveMedia(props: {
  element: MediaElement;
  label: string;
  scale: number;
  isPlain?: boolean;
}): ReactElement {
  const { element, label } = props;
  const media = useRef<HTMLVideoElement & HTMLAudioElement>(null);
  const [isBroken, setIsBroken] = useState(false);
  useEffect(() => {
    // Browsers may want a touch first: then the controls are there.
    if (element.startsWithSlide) media.current?.play().catch(() => undefined);
  }, [element.startsWithSlide]);
  if (isBroken) {
    return (
      <div
        className="grid size-full place-items-center rounded-[8px] bg-ink/85 p-3 text-center text-white"
        style={{ fontSize: 20 }}
      >
        This {element.medium} cannot be played here.
      </div>
    );
  }
  const common = {
    ref: media,
    src: mediaUrl(element.media),
    loop: element.loops,
    controls: true,
    preload: 'metadata',
    'aria-label': label,
    onError: () => setIsBroken(true),
  } as const;
  return (
    <div className="flex size-full items-end">
      {element.medium === 'sound' ? (
        <audio {...common} className="w-full" />
      ) : (
        <video
          {...common}
          playsInline
          poster={
            element.poster ? assetUrl(element.poster, element.box.w * props.scale) : undefined
          }
          className="size-full rounded-[8px] bg-ink object-contain"
        />
      )}
      {element.transcript && !props.isPlain && (
        <details
          className="absolute top-full right-0 z-10 w-full text-right"
          style={{ fontSize: 18 }}
        >
          <summary className="inline-block cursor-pointer rounded-full bg-ink/80 px-3 py-1 text-white">
            What is said
          </summary>
          <p className="max-h-[240px] overflow-y-auto rounded-[8px] bg-sheet p-3 text-left whitespace-pre-wrap text-ink">
            {element.transcript}
          </p>
        </details>
      )}
    </div>
  );
}
