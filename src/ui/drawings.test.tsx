// @vitest-environment jsdom
// What is drawn is said in words, too, and drawn as it is said.
import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { LEVEL_NAMES } from '@/core/mastery';
import type { Level } from '@/core/studio';
import { EngravedLines } from './engraved-lines';
import { lineLayout, type LineLayout } from './line-layout';
import { HandMap, type HandMapDrawing } from './hand-map';
import { isValveText, KeyLane, KeyPicture } from './key-picture';
import { CurveLane, TextLane } from './mark-lanes';
import { RungMark } from './rung-mark';
import { TempoCurve } from './tempo-curve';

afterEach(cleanup);
// What a browser has and the made-up one has not.
vi.stubGlobal('CSS', { escape: (text: string) => text.replace(/[^\w-]/g, (sign) => `\\${sign}`) });
const circles = (): SVGCircleElement[] => [...document.querySelectorAll('circle')];
const number = (element: Element, name: string): number => Number(element.getAttribute(name));

describe('where a section starts, on the instrument', () => {
  const show = (drawing: HandMapDrawing): string => {
    cleanup();
    render(<HandMap drawing={drawing} />);
    return screen.getByRole('img').getAttribute('aria-label') ?? '';
  };
  it('on a keyboard: hand, key and finger', () => {
    const says = show({
      kind: 'keyboard',
      keys: [
        { midi: 48, finger: '5', hand: 'left' },
        { midi: 66, finger: '2', hand: 'right' },
      ],
    });
    expect(says).toBe('Starts with left hand C with finger 5, right hand F♯ with finger 2');
    expect(circles()).toHaveLength(2);
  });
  it('draws a black key between its two white ones, higher than a white one, and all keys inside', () => {
    show({ kind: 'keyboard', keys: [65, 66, 67].map((midi) => ({ midi, finger: '1', hand: 'right' as const })) });
    const [f, fSharp, g] = circles();
    if (!f || !fSharp || !g) throw new Error('three keys are marked');
    expect(number(fSharp, 'cx')).toBeGreaterThan(number(f, 'cx'));
    expect(number(fSharp, 'cx')).toBeLessThan(number(g, 'cx'));
    expect(number(fSharp, 'cy')).toBeLessThan(number(f, 'cy'));
    for (const midi of [21, 24, 59, 60, 61, 107, 108]) {
      show({ kind: 'keyboard', keys: [{ midi, finger: '1', hand: 'right' }] });
      const [mark] = circles();
      expect(mark && number(mark, 'cx'), `key ${midi}`).toBeGreaterThan(0);
      expect(mark && number(mark, 'cx'), `key ${midi}`).toBeLessThan(100);
    }
  });
  it('may have both hands on one key', () => {
    const quiet = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    show({
      kind: 'keyboard',
      keys: [
        { midi: 60, finger: '1', hand: 'left' },
        { midi: 60, finger: '1', hand: 'right' },
      ],
    });
    const [left, right] = circles();
    expect(left && right && number(left, 'cy') - number(right, 'cy')).toBeGreaterThan(6.8);
    expect(quiet).not.toHaveBeenCalled();
    quiet.mockRestore();
  });
  it('on strings: an open one is open, a stopped one lies further along the higher it is', () => {
    const says = show({
      kind: 'strings',
      names: ['E', 'A', 'D', 'G'],
      stops: [
        { string: 1, fret: 0, finger: '0' },
        { string: 2, fret: 1, finger: '1' },
        { string: 2, fret: 5, finger: '4' },
      ],
    });
    expect(says).toBe('Starts with string 1, open, string 2, place 1, finger 1, string 2, place 5, finger 4');
    const [open, low, high] = circles();
    if (!open || !low || !high) throw new Error('three places are marked');
    expect(number(open, 'cx')).toBeLessThan(number(low, 'cx'));
    expect(number(low, 'cx')).toBeLessThan(number(high, 'cx'));
    expect(number(high, 'cx')).toBeLessThan(100);
    expect(number(open, 'cy')).toBeLessThan(number(low, 'cy'));
  });
  it('on keys and valves: as they are read', () => {
    expect(show({ kind: 'keys', text: 'T 123|456' })).toBe('Starts with T 123|456');
    expect(circles().length).toBeGreaterThan(5);
    show({ kind: 'keys', text: '13' });
    expect(screen.getByText('13')).toBeTruthy();
    expect(circles()).toHaveLength(0);
  });
});

describe('holes and keys', () => {
  const full = (keys: string): number => {
    cleanup();
    render(<KeyPicture keys={keys} colour="black" />);
    return circles().filter((c) => c.getAttribute('fill') === 'black').length;
  };
  // Soprano recorder: G has thumb and three fingers, C all, b' only thumb and one [common practice].
  it.each([
    ['0123', 4],
    ['01234567', 8],
    ['01', 2],
    ['T 123|45', 6],
    ['23', 2],
  ])('%s has %i down', (keys, down) => expect(full(keys)).toBe(down));
  it('half a thumb hole is drawn half, and no hole as full', () => {
    expect(full('½123')).toBe(3);
    expect(circles().some((c) => c.getAttribute('stroke-dasharray') !== '')).toBe(true);
  });
  it('names the keys that are no holes', () => {
    full('T 123|456 E♭ right');
    expect(screen.getByText('E♭')).toBeTruthy();
  });
  it.each([
    ['13', true],
    ['0', true],
    ['T13', true],
    ['6', true],
    ['0123', false],
    ['T 123', false],
    ['01234', false],
  ])('%s is valves or a slide position: %s', (keys, valves) => expect(isValveText(keys)).toBe(valves));
});

const LAYOUT: LineLayout = {
  width: 500,
  height: 100,
  notes: new Map([
    ['n1', { x: 50, y: 20, width: 10 }],
    ['n2', { x: 150, y: 20, width: 10 }],
  ]),
  bars: new Map([['b1', { x: 20, width: 400, top: 0, height: 40 }]]),
};

describe('lanes under a line of music', () => {
  it('stand under the notes of this line, silent ones in brackets', () => {
    render(
      <TextLane
        name="Counts"
        layout={LAYOUT}
        texts={[
          { noteId: 'n1', text: '1', source: 'suggested' },
          { noteId: 'n2', text: '2', source: 'suggested', silent: true },
          { noteId: 'elsewhere', text: '3', source: 'suggested' },
        ]}
      />,
    );
    expect(screen.getByRole('group', { name: 'Counts' })).toBeTruthy();
    expect(screen.getByText('1').style.left).toBe('50px');
    expect(screen.getByText('(2)').style.left).toBe('150px');
    expect(screen.queryByText('3')).toBeNull();
  });
  it('choose the note that is clicked', async () => {
    const onPick = vi.fn();
    const texts = [{ noteId: 'n2', text: '4', source: 'teacher' as const }];
    render(<TextLane name="Fingers" layout={LAYOUT} onPick={onPick} texts={texts} />);
    await userEvent.click(screen.getByRole('button', { name: '4' }));
    expect(onPick).toHaveBeenCalledWith('n2');
    cleanup();
    render(
      <KeyLane
        layout={LAYOUT}
        onPick={onPick}
        texts={[{ ...texts[0], noteId: 'n1', text: '012', source: 'printed' }]}
      />,
    );
    await userEvent.click(screen.getByRole('button', { name: '012' }));
    expect(onPick).toHaveBeenLastCalledWith('n1');
  });
  it('dynamics: louder is higher, in the order of the notes, and said', () => {
    render(
      <CurveLane
        name="Dynamics"
        layout={LAYOUT}
        before={null}
        points={[
          { noteId: 'n2', level: 'f', source: 'printed' },
          { noteId: 'n1', level: 'p', source: 'printed' },
        ]}
      />,
    );
    expect(screen.getByRole('group', { name: 'Dynamics: p, f' })).toBeTruthy();
    const [soft, loud] = circles();
    if (!soft || !loud) throw new Error('two levels are marked');
    expect(number(soft, 'cx')).toBe(50);
    expect(number(loud, 'cy')).toBeLessThan(number(soft, 'cy'));
    cleanup();
    render(<CurveLane name="Dynamics" layout={LAYOUT} before={null} points={[]} />);
    expect(screen.getByRole('group', { name: 'Dynamics: nothing marked here' })).toBeTruthy();
  });
  it('dynamics: the level before the line is drawn on, and not said again', () => {
    render(
      <CurveLane
        name="Dynamics"
        layout={LAYOUT}
        before={{ noteId: 'n0', level: 'mf', source: 'printed' }}
        points={[]}
      />,
    );
    expect(circles()).toHaveLength(0);
    expect(document.querySelectorAll('path')).toHaveLength(1);
  });
});

describe('a small ladder', () => {
  it.each([0, 1, 2, 3, 4, 5] as const)('of level %i has as many rungs filled, and says its name', (level: Level) => {
    render(<RungMark level={level} />);
    expect(screen.getByRole('img', { name: `level ${level}, ${LEVEL_NAMES[level]}` })).toBeTruthy();
    expect(document.querySelectorAll('rect')).toHaveLength(level);
  });
  it('says that it is due, and that the teacher decided otherwise', () => {
    render(<RungMark level={3} due overruled />);
    expect(screen.getByRole('img').getAttribute('aria-label')).toMatch(/due for a check, set against the proposal$/);
  });
});

describe('the way up in tempo', () => {
  it('is said step by step', () => {
    render(<TempoCurve steps={[60, 68, 76]} target={80} />);
    expect(screen.getByRole('img', { name: 'Tempos 60, 68, 76; target 80' })).toBeTruthy();
  });
  it('is drawn inside its frame, for one step or none', () => {
    for (const steps of [[60], [], [80, 40, 300]]) {
      cleanup();
      render(<TempoCurve steps={steps} target={80} />);
      for (const text of document.querySelectorAll('text')) {
        expect(number(text, 'y')).toBeGreaterThan(0);
        expect(number(text, 'y')).toBeLessThanOrEqual(90);
      }
    }
  });
});

describe('engraved music', () => {
  /** Two bars of one note each, as an engraver writes them: ten units to a pixel. */
  const bar = (n: number, left: number) => `<g id="b${n}" class="measure"><g id="s${n}" class="staff">
      <path d="M${left} 100 L${left + 2000} 100" /><path d="M${left} 500 L${left + 2000} 500" />
      <g id="n${n}" class="note"><g class="notehead">
        <use href="#E0A4-v1" transform="translate(${left + 300}, 260) scale(0.5, 0.5)" />
      </g><g class="stem"><path d="M${left + 300} 260 L${left + 300} 60" /></g></g></g></g>`;
  const SVG = `<svg width="440px" height="70px"><svg class="definition-scale" viewBox="0 0 4400 700">
    <g class="page-margin" transform="translate(0, 0)">${bar(1, 200)}${bar(2, 2200)}</g></svg></svg>`;

  it('gives a click to the note under it, else to its bar, with Shift to the bars between', async () => {
    const onNote = vi.fn();
    const onBar = vi.fn();
    render(<EngravedLines systems={[SVG]} label="Music" onNote={onNote} onBar={onBar} />);
    const head = document.querySelector('#n2 .notehead');
    const host = document.querySelector('.engraved');
    if (!head || !host) throw new Error('the music is there');
    await userEvent.click(head);
    expect(onNote).toHaveBeenCalledWith('n2');
    expect(onBar).not.toHaveBeenCalled();
    const user = userEvent.setup();
    await user.pointer({ keys: '[MouseLeft]', target: host, coords: { clientX: 300, clientY: 20 } });
    expect(onBar).toHaveBeenLastCalledWith('b2', false);
    await user.keyboard('{Shift>}');
    await user.pointer({ keys: '[MouseLeft]', target: host, coords: { clientX: 30, clientY: 20 } });
    expect(onBar).toHaveBeenLastCalledWith('b1', true);
    await user.pointer({ keys: '[MouseLeft]', target: host, coords: { clientX: 480, clientY: 20 } });
    expect(onBar).toHaveBeenCalledTimes(2);
  });
  it('marks what is chosen, and no longer what was', () => {
    const { rerender } = render(<EngravedLines systems={[SVG]} label="Music" chosen={new Set(['n1'])} />);
    const chosen = () => [...document.querySelectorAll('[data-chosen]')].map((e) => e.id);
    expect(chosen()).toEqual(['n1']);
    rerender(<EngravedLines systems={[SVG]} label="Music" chosen={new Set(['n2', 'not here'])} />);
    expect(chosen()).toEqual(['n2']);
    rerender(<EngravedLines systems={[SVG]} label="Music" />);
    expect(chosen()).toEqual([]);
  });
  it('knows where bars stand, whatever else is drawn in them', () => {
    const { bars, notes, width, height } = lineLayout(SVG);
    expect({ width, height }).toEqual({ width: 440, height: 70 });
    expect(bars.get('b1')).toEqual({ x: 20, width: 200, top: 10, height: 40 });
    expect(bars.get('b2')).toEqual({ x: 220, width: 200, top: 10, height: 40 });
    expect([...notes.keys()]).toEqual(['n1', 'n2']);
    expect(notes.get('n1')?.y).toBe(26);
  });
  it('finds nothing in what is no music', () => {
    expect(lineLayout('<svg width="5px"/>').notes.size).toBe(0);
    expect(lineLayout('not a drawing').bars.size).toBe(0);
  });
  it('tells lanes where the notes stand', () => {
    render(
      <EngravedLines
        systems={[SVG]}
        label="Music"
        below={(layout) => <p>{[...layout.notes].map(([id, at]) => `${id} at ${at.x}`).join(', ')}</p>}
      />,
    );
    expect(screen.getByText('n1 at 57.85, n2 at 257.85')).toBeTruthy();
  });
});
