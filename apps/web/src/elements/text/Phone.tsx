import type { TextElement } from '@gobrel/core';
import type { ReactElement } from 'react';
import { RichTextView } from '../../parts/RichTextView';
import { wordLinks } from '../kind';
import type { PhoneProps } from '../phone';

export const Phone = (props: PhoneProps<TextElement>): ReactElement => (
  <div className="slide-text">
    <RichTextView text={props.element.text} links={wordLinks(props)} />
  </div>
);
