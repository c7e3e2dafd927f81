import type { ReactNode } from 'react';
import { useStudio } from '@/store';
import { Button, Panel } from '@/ui';
import { useActs } from '@/features/acts';
import { useWhere } from '@/features/where';

/** What is done with the demo studio: opened, left, taken away, brought back. */
export function DemoPanel(): ReactNode {
  const studio = useStudio();
  const where = useWhere();
  const { act } = useActs();
  const to = (open: () => Promise<void>) => () => {
    where.go('shelf', { pieceId: null, studentId: null });
    act(open);
  };
  return (
    <Panel title="Demo studio" className="lg:col-span-2">
      <p className="mb-3">
        Made-up pieces and students to try everything on. They live apart from your own studio and never mix with it.
      </p>
      <div className="flex flex-wrap gap-2">
        {studio.name === 'demo' ? (
          <>
            <Button onClick={to(() => studio.openStudio('own'))}>Open my own studio</Button>
            <Button onClick={to(studio.removeDemo)}>Remove the demo studio</Button>
          </>
        ) : studio.demoRemoved ? (
          <Button onClick={to(studio.bringBackDemo)}>Bring the demo studio back</Button>
        ) : (
          <Button onClick={to(() => studio.openStudio('demo'))}>Open the demo studio</Button>
        )}
      </div>
    </Panel>
  );
}
