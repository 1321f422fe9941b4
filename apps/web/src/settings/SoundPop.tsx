import type { MediaRef } from '@gobrel/core';
import { Mic, Square } from 'lucide-react';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { MEDIA_ACCEPT, uploadMedia } from '../api/media';
import { sentenceOf } from '../api/http';
import { Button } from '../ui/Button';
import { useNotices } from '../ui/Notice';
import { Pop } from '../ui/controls';

/** Sends a sound or a video, and says how far it is. */
export function useMediaUpload(onMedia: (media: MediaRef, name: string) => void): {
  /** From 0 to 1; null when nothing is on its way. */
  progress: number | null;
  send: (file: File) => Promise<void>;
} {
  const { trouble } = useNotices();
  const [progress, setProgress] = useState<number | null>(null);
  return {
    progress,
    send: async (file) => {
      setProgress(0);
      try {
        const media = await uploadMedia(file, setProgress);
        onMedia(media, file.name.replace(/\.[a-z0-9]+$/i, ''));
      } catch (error) {
        trouble(sentenceOf(error));
      } finally {
        setProgress(null);
      }
    },
  };
}

/** A sound or video from the device, or recorded here. */
export function SoundChoice(props: {
  onMedia: (media: MediaRef, name: string) => void;
}): ReactElement {
  const file = useRef<HTMLInputElement>(null);
  const { progress, send } = useMediaUpload(props.onMedia);
  return (
    <div className="flex flex-col gap-3">
      <div className="flex items-center gap-2">
        <Button size="small" disabled={progress !== null} onClick={() => file.current?.click()}>
          From this device
        </Button>
        <span className="text-soft">WebM, Ogg, WAV, FLAC or MP3, up to 60 MB</span>
      </div>
      <input
        ref={file}
        type="file"
        accept={MEDIA_ACCEPT}
        aria-label="Sound or video file"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const picked = event.target.files?.[0];
          if (picked) void send(picked);
          event.target.value = '';
        }}
      />
      {progress !== null && (
        <progress aria-label="Sending" className="w-full accent-petrol" value={progress} />
      )}
      <Recorder onMedia={props.onMedia} />
    </div>
  );
}

export function RecordPop(props: {
  label: string;
  onMedia: (media: MediaRef) => void;
}): ReactElement {
  return (
    <Pop label={props.label}>
      <Recorder onMedia={props.onMedia} />
    </Pop>
  );
}

/** Records a narration with the device's microphone. */
function Recorder(props: { onMedia: (media: MediaRef, name: string) => void }): ReactElement {
  const { trouble } = useNotices();
  const { progress, send } = useMediaUpload(props.onMedia);
  const recorder = useRef<MediaRecorder | null>(null);
  const [seconds, setSeconds] = useState<number | null>(null);
  const isRecording = seconds !== null;
  useEffect(() => {
    if (!isRecording) return;
    const timer = setInterval(() => setSeconds((old) => (old ?? 0) + 1), 1000);
    return () => clearInterval(timer);
  }, [isRecording]);
  useEffect(
    () => () => {
      recorder.current?.stream.getTracks().forEach((track) => track.stop());
    },
    [],
  );
  const start = async (): Promise<void> => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const now = new MediaRecorder(stream, { mimeType: 'audio/webm' });
      const parts: Blob[] = [];
      now.ondataavailable = ({ data }) => void parts.push(data);
      now.onstop = () => {
        stream.getTracks().forEach((track) => track.stop());
        setSeconds(null);
        const file = new File(parts, 'narration.webm', { type: 'audio/webm' });
        if (file.size > 0) void send(file);
      };
      recorder.current = now;
      now.start();
      setSeconds(0);
    } catch {
      trouble('There is no microphone that may be used. Look at the browser’s permissions.');
    }
  };
  return (
    <div className="flex items-center gap-2">
      {isRecording ? (
        <Button size="small" look="main" onClick={() => recorder.current?.stop()}>
          <Square size={14} aria-hidden /> Stop and keep
        </Button>
      ) : (
        <Button size="small" disabled={progress !== null} onClick={() => void start()}>
          <Mic size={14} aria-hidden /> Record
        </Button>
      )}
      <span className="text-soft" role="status">
        {isRecording ? `${seconds} s` : progress !== null ? 'Keeping it …' : 'with the microphone'}
      </span>
    </div>
  );
}
