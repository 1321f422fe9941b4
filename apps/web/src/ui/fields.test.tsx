import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { AlignStartVertical } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { AnyColour, NumberField, Plain, Sign, Slide } from './controls';
import { takesBackLetters } from './isTyping';
import { NoticeProvider } from './Notice';
import { isNamed, useTyped } from './useTyped';

afterEach(cleanup);

/** A name that something else keeps, a little differently from how it is typed. */
function Name(props: { kept: string[]; refused: string[] }): ReactElement {
  const [name, setName] = useState('Keep the lamp lit');
  const keep = (text: string): void => {
    if (!isNamed(text)) return void props.refused.push(text);
    props.kept.push(text);
    setName(text.trim());
  };
  return <input aria-label="Name" {...useTyped(name, keep, isNamed)} />;
}

describe('a line that is kept while it is typed', () => {
  const open = () => {
    const [kept, refused]: [string[], string[]] = [[], []];
    render(<Name kept={kept} refused={refused} />);
    const field = screen.getByLabelText<HTMLInputElement>('Name');
    const type = (value: string): void => void fireEvent.change(field, { target: { value } });
    return { kept, refused, field, type };
  };

  test('every letter is kept, and on the screen is what was typed', () => {
    const { kept, field, type } = open();
    type('Fog ');
    expect(kept).toEqual(['Fog ']);
    expect(field.value).toBe('Fog ');
    type('Fog a');
    expect(kept).toEqual(['Fog ', 'Fog a']);
    fireEvent.blur(field);
    expect(field.value).toBe('Fog a');
  });

  test('Escape brings back what stood there, and goes no further', () => {
    const { kept, field, type } = open();
    let heard = 0;
    const hear = (): void => void (heard += 1);
    document.addEventListener('keydown', hear);
    type('Something else');
    fireEvent.keyDown(field, { key: 'Escape' });
    expect(field.value).toBe('Keep the lamp lit');
    expect(kept.at(-1)).toBe('Keep the lamp lit');
    fireEvent.keyDown(field, { key: 'Escape' });
    document.removeEventListener('keydown', hear);
    // The second one has nothing to take back here: whatever the line stands in hears it.
    expect(heard).toBe(1);
  });

  test('what may not be kept stays on the screen, is told when it is left, and gives way to what is kept', () => {
    const { kept, refused, field, type } = open();
    type('  ');
    expect([kept, refused, field.value]).toEqual([[], [], '  ']);
    fireEvent.blur(field);
    expect(refused).toEqual(['  ']);
    expect(field.value).toBe('Keep the lamp lit');
  });

  test('Enter leaves it', () => {
    const { field, type } = open();
    field.focus();
    type('Fog');
    fireEvent.keyDown(field, { key: 'Enter' });
    expect(document.activeElement).not.toBe(field);
  });
});

describe('a number', () => {
  const open = (value = 40) => {
    const kept: number[] = [];
    render(
      <NoticeProvider>
        <NumberField
          label="Left"
          value={value}
          min={0}
          max={1280}
          step={5}
          onKeep={(now) => kept.push(now)}
        />
      </NoticeProvider>,
    );
    const field = screen.getByLabelText<HTMLInputElement>('Left');
    const type = (text: string): void => void fireEvent.change(field, { target: { value: text } });
    return { kept, field, type };
  };

  test('is kept when it is left, with a comma or a point, and only when it is another', () => {
    const { kept, field, type } = open();
    type('12,5');
    expect(kept).toEqual([]);
    fireEvent.blur(field);
    type('40');
    fireEvent.keyDown(field, { key: 'Enter' });
    fireEvent.blur(field);
    expect(kept).toEqual([12.5]);
  });

  test('while it is typed a press takes back its letters, and the last step of the deck when it is kept', () => {
    const { field, type } = open();
    const takesBack: boolean[] = [];
    const note = (event: KeyboardEvent): void => void takesBack.push(takesBackLetters(event));
    window.addEventListener('keydown', note);
    fireEvent.keyDown(field, { key: 'z', ctrlKey: true });
    type('12');
    fireEvent.keyDown(field, { key: 'z', ctrlKey: true });
    fireEvent.keyDown(field, { key: 'Enter' });
    fireEvent.keyDown(field, { key: 'z', ctrlKey: true });
    window.removeEventListener('keydown', note);
    expect(takesBack).toEqual([false, true, true, false]);
  });

  test.each(['', 'left', '-1', '1281', 'Infinity'])('“%s” is told and changes nothing', (wrong) => {
    const { kept, field, type } = open();
    type(wrong);
    fireEvent.blur(field);
    expect(kept).toEqual([]);
    expect(field.value).toBe('40');
    expect(screen.getByText('Left goes from 0 to 1,280.')).toBeTruthy();
  });

  test('arrows go by steps and stop at the ends', () => {
    const { kept, field, type } = open(3);
    fireEvent.keyDown(field, { key: 'ArrowUp' });
    fireEvent.keyDown(field, { key: 'ArrowDown' });
    type('1279');
    fireEvent.keyDown(field, { key: 'ArrowUp' });
    expect(kept).toEqual([10, 0, 1280]);
  });
});

test('a slider is kept when it is let go, once', () => {
  const kept: number[] = [];
  render(
    <Slide label="Tint" value={0.2} min={0} max={1} step={0.1} onKeep={(now) => kept.push(now)} />,
  );
  const field = screen.getByLabelText<HTMLInputElement>('Tint');
  for (const value of ['0.3', '0.4', '0.5']) fireEvent.change(field, { target: { value } });
  expect(kept).toEqual([]);
  fireEvent.pointerUp(field);
  fireEvent.blur(field);
  expect(kept).toEqual([0.5]);
});

describe('what cannot be pressed now says why', () => {
  test.each([
    ['a word', <Plain why="It is locked." onClick={() => pressed()} children="Group" />, 'Group'],
    [
      'a sign',
      <Sign
        icon={AlignStartVertical}
        label="Group"
        why="It is locked."
        onClick={() => pressed()}
      />,
      'Group',
    ],
  ])('%s', (_, element, name) => {
    count = 0;
    render(element);
    const button = screen.getByRole<HTMLButtonElement>('button', { name });
    expect(button.disabled).toBe(true);
    expect(button.title).toContain('It is locked.');
    fireEvent.click(button);
    expect(count).toBe(0);
  });

  test('and where there is nothing against it, it is done', () => {
    count = 0;
    render(<Sign icon={AlignStartVertical} label="Align" why={null} onClick={() => pressed()} />);
    const button = screen.getByRole<HTMLButtonElement>('button', { name: 'Align' });
    act(() => button.click());
    expect([count, button.title]).toEqual([1, 'Align']);
  });
  let count = 0;
  const pressed = (): void => void (count += 1);
});

describe('any colour', () => {
  function Colour(props: { made?: (chosen: string) => string }): ReactElement {
    const [value, setValue] = useState('#112233');
    const { made = (chosen) => chosen } = props;
    return (
      <>
        <AnyColour label="Paper" value={value} onKeep={(chosen) => setValue(made(chosen))} />
        <output>{value}</output>
      </>
    );
  }
  /** As a browser tells it: `change` once, when one has been chosen. */
  function choose(colour: string): void {
    const field = screen.getByLabelText<HTMLInputElement>('Paper');
    field.value = colour;
    act(() => void field.dispatchEvent(new Event('change', { bubbles: true })));
  }

  it('is kept as often as one is chosen', () => {
    render(<Colour />);
    choose('#445566');
    expect(screen.getByRole('status').textContent).toBe('#445566');
    choose('#778899');
    expect(screen.getByRole('status').textContent).toBe('#778899');
  });

  it('shows what was made of it, also when that is what it was', () => {
    render(<Colour made={() => '#112233'} />);
    choose('#ffffff');
    expect(screen.getByLabelText<HTMLInputElement>('Paper').value).toBe('#112233');
  });
});
