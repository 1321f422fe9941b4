import { typeInStyle, type CreditsElement } from '@gobrel/core';
import { useContext, type ReactElement } from 'react';
import { Credits } from './Credits';
import { typeCss } from '../../parts/type';
import type { BodyProps } from '../kind';

export default function Body(props: BodyProps<CreditsElement>): ReactElement {
  const lines = useContext(Credits);
  const type = typeInStyle(props.element, 'caption', props.theme);
  return (
    <div className="slide-text size-full overflow-hidden" style={typeCss(type)}>
      {lines.length === 0 ? (
        <p className="opacity-70">No picture needs a credit yet.</p>
      ) : (
        lines.map((line) => <p key={line}>{line}</p>)
      )}
    </div>
  );
}
