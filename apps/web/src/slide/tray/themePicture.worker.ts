import { coloursOf, themeFrom, type SmallPicture, type ThemeData } from '@gobrel/core';

/** A picture whose colours are wanted, and the theme that they are wanted for. */
export interface PictureQuestion {
  picture: SmallPicture;
  theme: ThemeData;
}

self.onmessage = ({ data }: MessageEvent<PictureQuestion>): void => {
  const colours = coloursOf(data.picture);
  self.postMessage(colours.length === 0 ? null : themeFrom(colours, data.theme));
};
