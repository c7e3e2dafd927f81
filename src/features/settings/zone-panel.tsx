import type { ReactNode } from 'react';
import { changeSettings } from '@/core/commands';
import { isZone } from '@/core/studio';
import { useStudio } from '@/store';
import { Choose, Panel } from '@/ui';
import { useActs } from '@/features/acts';

const zonesKnown = (): readonly string[] => Intl.supportedValuesOf('timeZone');

/** Where the studio is: its days begin and end there. */
export function ZonePanel(): ReactNode {
  const { zone } = useStudio();
  const { run } = useActs();
  const zones = zonesKnown();
  return (
    <Panel title="Where the studio is">
      <p className="mb-3 text-ink-2">
        A day begins and ends there, whatever the clock of this machine says. It came from this browser.
      </p>
      <Choose
        label="Time zone"
        value={zone}
        choices={(zones.includes(zone) ? zones : [zone, ...zones]).map((z) => [z, z.replaceAll('_', ' ')] as const)}
        onPick={(next) => isZone(next) && run(changeSettings, { change: { zone: next }, label: 'time zone' })}
      />
    </Panel>
  );
}
