import type { MediaElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { Check, Line, Plain, Pop } from '../../ui/controls';
import { PicturePop } from '../../ui/PicturePop';
import { RecordPop } from '../../settings/SoundPop';
import type { SettingsOf } from '../../settings/settings';

export function Settings(props: SettingsOf<MediaElement>): ReactElement {
  const { element, set } = props;
  const isSound = element.medium === 'sound';
  return (
    <>
      <Line label="Name" value={element.name} onKeep={(name) => set({ name })} />
      <Check
        label="Starts with the slide"
        isOn={element.startsWithSlide}
        onChange={(startsWithSlide) => set({ startsWithSlide })}
      />
      <Check label="Again and again" isOn={element.loops} onChange={(loops) => set({ loops })} />
      {isSound && (
        <Check
          label="Plays on through the section"
          isOn={element.runsOn}
          onChange={(runsOn) => set({ runsOn })}
        />
      )}
      <Pop label="What is said" value={element.transcript ? 'written' : 'missing'}>
        <Line
          label="For those who cannot hear it"
          isWide
          isLong
          value={element.transcript}
          onKeep={(transcript) => set({ transcript })}
        />
      </Pop>
      {!isSound && (
        <>
          <PicturePop label="Poster" onPicture={({ asset }) => set({ poster: asset })} />
          {element.poster && <Plain onClick={() => set({ poster: null })}>No poster</Plain>}
        </>
      )}
      {isSound && <RecordPop label="Record anew" onMedia={(media) => set({ media })} />}
    </>
  );
}
