'use client';

import { Component, type ErrorInfo, type ReactNode } from 'react';
import { Button, Panel } from '@/ui';

interface Props {
  /** What is inside, for the sentence: `Marks`. */
  readonly what: string;
  /** Ways out that lose nothing, such as saving the studio file. */
  readonly waysOut?: ReactNode;
  readonly children: ReactNode;
}

/** What stands in the place of a screen that failed: what happened, that the data are kept, and what can be done. */
export class ProblemBoundary extends Component<Props, { readonly message: string | null }> {
  override state = { message: null as string | null };

  static getDerivedStateFromError(error: unknown): { readonly message: string } {
    return { message: error instanceof Error ? error.message : String(error) };
  }

  override componentDidCatch(_error: unknown, _info: ErrorInfo): void {
    // React has said it on the console; the screen says it in words.
  }

  override render(): ReactNode {
    const { what, waysOut, children } = this.props;
    if (this.state.message === null) return children;
    return (
      <Panel title={`${what} cannot be shown`}>
        <div role="alert" className="grid gap-3 text-lg">
          <p>Something in this screen went wrong. What you recorded is stored; nothing of it is lost.</p>
          <p className="figure text-base text-ink-2">{this.state.message.slice(0, 300)}</p>
          <div className="flex flex-wrap gap-2">
            <Button look="primary" big onClick={() => this.setState({ message: null })}>
              Try again
            </Button>
            {waysOut}
          </div>
        </div>
      </Panel>
    );
  }
}
