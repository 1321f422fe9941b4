import {
  hasMark,
  marked,
  setInk,
  setText,
  type Alignment,
  type RichText,
  type SlideElement,
  type Typography,
} from '@gobrel/core';
import { useEditorState, type Editor } from '@tiptap/react';
import {
  AlignCenter,
  AlignJustify,
  AlignLeft,
  AlignRight,
  Baseline,
  Bold,
  Highlighter,
  Italic,
  Link2,
  List,
  ListIndentDecrease,
  ListIndentIncrease,
  ListOrdered,
  Strikethrough,
  Subscript,
  Superscript,
  Underline,
  type LucideIcon,
} from 'lucide-react';
import type { ReactElement } from 'react';
import { useDeck } from '../deck/DeckContext';
import { NumberField, Plain, Pop, Sign } from '../ui/controls';
import { Swatches } from './colours';
import type { SettingsOf } from './settings';

const MARKS: [type: string, label: string, icon: LucideIcon][] = [
  ['bold', 'Bold', Bold],
  ['italic', 'Italic', Italic],
  ['underline', 'Underline', Underline],
];
const MORE_MARKS: [type: string, label: string, icon: LucideIcon][] = [
  ['strike', 'Strike through', Strikethrough],
  ['superscript', 'Superscript', Superscript],
  ['subscript', 'Subscript', Subscript],
];
const ALIGNS: [align: Alignment, label: string, icon: LucideIcon, css: string][] = [
  ['start', 'To the left', AlignLeft, 'left'],
  ['center', 'To the middle', AlignCenter, 'center'],
  ['end', 'To the right', AlignRight, 'right'],
  ['justify', 'To both edges', AlignJustify, 'justify'],
];

type Worded = SlideElement & { text: RichText };

/** How words look: of the marked words while typing, of all words of the thing otherwise. */
export function WordMarks(props: SettingsOf<Worded & Typography>): ReactElement {
  const { editor } = props;
  return editor ? <TypingMarks {...props} editor={editor} /> : <WholeMarks {...props} />;
}

function WholeMarks(props: SettingsOf<Worded & Typography>): ReactElement {
  const { slide, element, theme, set } = props;
  const { run } = useDeck();
  const mark = (type: string, isOn: boolean, attrs?: Record<string, unknown>): unknown =>
    run(
      setText,
      slide.id,
      element.id,
      marked(element.text, { type, ...(attrs ? { attrs } : {}) }, isOn),
    );
  const sign = ([type, label, icon]: (typeof MARKS)[number]): ReactElement => {
    const isOn = hasMark(element.text, type);
    return (
      <Sign key={type} icon={icon} label={label} isOn={isOn} onClick={() => mark(type, !isOn)} />
    );
  };
  return (
    <span className="flex items-center">
      {MARKS.map(sign)}
      <Pop label="Words" width={300}>
        <div className="flex flex-col gap-2">
          <span className="flex items-center">
            {MORE_MARKS.map(sign)}
            <span className="mx-1.5 h-5 border-l border-line" />
            {ALIGNS.map(([align, label, icon]) => (
              <Sign
                key={align}
                icon={icon}
                label={label}
                isOn={element.align === align}
                onClick={() => set({ align: element.align === align ? null : align })}
              />
            ))}
          </span>
          <span className="text-soft">Colour</span>
          <Swatches
            label="Ink"
            theme={theme}
            value={element.colour ?? ''}
            onChange={(colour) => run(setInk, slide.id, element.id, colour)}
          />
          <Plain
            aria-pressed={element.colour === null}
            onClick={() => run(setInk, slide.id, element.id, null)}
          >
            As the theme
          </Plain>
          <span className="text-soft">Highlight</span>
          <Swatches
            label="Highlight"
            theme={theme}
            value=""
            onChange={(color) => mark('highlight', true, { color })}
          />
          {hasMark(element.text, 'highlight') && (
            <Plain onClick={() => mark('highlight', false)}>No highlight</Plain>
          )}
        </div>
      </Pop>
    </span>
  );
}

function TypingMarks(props: SettingsOf<Worded & Typography> & { editor: Editor }): ReactElement {
  const { editor, element, theme, linking } = props;
  const now = useEditorState({
    editor,
    selector: ({ editor }) => ({
      marks: [...MARKS, ...MORE_MARKS].filter(([type]) => editor.isActive(type)).map(([t]) => t),
      align: ALIGNS.find(([, , , css]) => editor.isActive({ textAlign: css }))?.[0] ?? null,
      isBulleted: editor.isActive('bulletList'),
      isNumbered: editor.isActive('orderedList'),
      colour: String(editor.getAttributes('textStyle').color ?? ''),
      size: parseFloat(String(editor.getAttributes('textStyle').fontSize ?? '')) || 0,
      isEmpty: editor.state.selection.empty,
    }),
  });
  const sign = ([type, label, icon]: (typeof MARKS)[number]): ReactElement => (
    <Sign
      key={type}
      icon={icon}
      label={label}
      isOn={now.marks.includes(type)}
      onClick={() => editor.chain().focus().toggleMark(type).run()}
    />
  );
  return (
    <span className="flex items-center gap-x-1 max-[1100px]:gap-x-[2px]">
      {MARKS.map(sign)}
      {MORE_MARKS.map(sign)}
      <Pop
        label="Ink"
        value={<Baseline size={14} aria-hidden />}
        says={now.colour || 'as the text'}
      >
        <Swatches
          label="Ink"
          theme={theme}
          value={now.colour}
          onChange={(colour) => editor.chain().setColor(colour).run()}
        />
        <Plain onClick={() => editor.chain().unsetColor().run()}>As the text</Plain>
      </Pop>
      <Pop label="Highlight" value={<Highlighter size={14} aria-hidden />} says="of the words">
        <Swatches
          label="Highlight"
          theme={theme}
          value=""
          onChange={(color) => editor.chain().setHighlight({ color }).run()}
        />
        <Plain onClick={() => editor.chain().unsetHighlight().run()}>No highlight</Plain>
      </Pop>
      <NumberField
        label="Size"
        value={now.size || element.size || 30}
        min={8}
        max={400}
        onKeep={(size) => editor.chain().setFontSize(`${size}px`).run()}
      />
      <Sign
        icon={List}
        label="Bullets"
        isOn={now.isBulleted}
        onClick={() => editor.chain().focus().toggleBulletList().run()}
      />
      <Sign
        icon={ListOrdered}
        label="Numbers"
        isOn={now.isNumbered}
        onClick={() => editor.chain().focus().toggleOrderedList().run()}
      />
      {(now.isBulleted || now.isNumbered) && (
        <>
          <Sign
            icon={ListIndentIncrease}
            label="Further in"
            onClick={() => editor.chain().focus().sinkListItem('listItem').run()}
          />
          <Sign
            icon={ListIndentDecrease}
            label="Further out"
            onClick={() => editor.chain().focus().liftListItem('listItem').run()}
          />
        </>
      )}
      {ALIGNS.map(([align, label, icon, css]) => (
        <Sign
          key={align}
          icon={icon}
          label={label}
          isOn={now.align === align}
          onClick={() => editor.chain().focus().setTextAlign(css).run()}
        />
      ))}
      {element.kind === 'text' && (
        <button
          type="button"
          onPointerDown={(event) => event.preventDefault()}
          onClick={() => linking.ask({ kind: 'words', elementId: element.id, editor })}
          className="flex min-h-7 items-center gap-1 rounded-[4px] px-1.5 text-ember-deep hover:bg-sand"
        >
          <Link2 size={15} aria-hidden /> Link
          <span className="max-[1100px]:sr-only"> the marked words</span>
        </button>
      )}
    </span>
  );
}
