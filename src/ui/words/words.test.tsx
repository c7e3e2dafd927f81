// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { useState, type ReactNode } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { WRITTEN_WORDS } from '@/core/words';
import { InWords, say } from '.';
import { speak } from './spoken';

function Sentence({ bar, title }: { readonly bar: number; readonly title: string }): ReactNode {
  return (
    <section aria-label={`bars from ${bar}`}>
      <p>
        bar {bar} of <span translate="no">{title}</span>
      </p>
      <input defaultValue="the last bar" placeholder="Which bars?" />
    </section>
  );
}

/** A component keeps what it has while the words stay, and is drawn anew with others. */
function Counted(): ReactNode {
  const [id] = useState(() => Math.random());
  return <i>{id}</i>;
}

afterEach(() => {
  cleanup();
  speak(WRITTEN_WORDS);
});

describe('a screen in the words of a studio', () => {
  it('says its sentences, names and hints in them', () => {
    render(
      <InWords bar="measure" notes="american">
        <Sentence bar={3} title="Behind bars" />
      </InWords>,
    );
    expect(screen.getByRole('region', { name: 'measures from 3' })).toBeTruthy();
    expect(screen.getByText(/^measure 3 of/)).toBeTruthy();
    expect(screen.getByPlaceholderText('Which measures?')).toBeTruthy();
    expect(say('a bar')).toBe('a measure');
  });
  it('leaves alone what is somebody’s own, and what is typed', () => {
    render(
      <InWords bar="measure" notes="american">
        <Sentence bar={3} title="Behind bars" />
      </InWords>,
    );
    expect(screen.getByText('Behind bars')).toBeTruthy();
    expect(screen.getByDisplayValue('the last bar')).toBeTruthy();
  });
  it('draws what is inside anew only when the words change', () => {
    const drawn = (bar: 'bar' | 'measure'): ReactNode => (
      <InWords bar={bar} notes="american">
        <Counted />
      </InWords>
    );
    const { container, rerender } = render(drawn('bar'));
    const first = container.textContent;
    rerender(drawn('bar'));
    expect(container.textContent).toBe(first);
    rerender(drawn('measure'));
    expect(container.textContent).not.toBe(first);
  });
});
