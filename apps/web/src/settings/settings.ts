import { type ElementSettings, type Slide, type SlideElement, type Theme } from '@gobrel/core';
import type { Editor } from '@tiptap/react';
import type { Linking } from '../links/Linking';
import type { StageEdit } from '../editing/useStageEdit';

/** What the settings of one kind of thing are given. */
export interface SettingsOf<E extends SlideElement = SlideElement> {
  slide: Slide;
  element: E;
  theme: Theme;
  edit: StageEdit;
  linking: Linking;
  /** The text editor, while words of this thing are being typed. */
  editor: Editor | null;
  set: (settings: ElementSettings) => unknown;
}
