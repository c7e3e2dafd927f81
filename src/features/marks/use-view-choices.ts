import { useState } from 'react';
import type { CountSystem } from '@/core/rhythm';
import { FULL_FINGERING } from '@/core/studio';
import type { FingerView } from '@/marked';
import type { LaneText } from '@/ui';

export const LANES = ['Count', 'Dynamics', 'Chords', 'Breath and phrase', 'Bowing', 'Pedal', 'Strum', 'Cues'] as const;
export type Lane = (typeof LANES)[number];

/** A hairpin that was begun at a note and has no end yet. */
export interface BegunHairpin {
  readonly from: string;
  readonly role: 'crescendo' | 'diminuendo';
}

/** How the marks are looked at while the stage is open; nothing of it is kept. */
export function useViewChoices() {
  const [chosenSystem, setSystem] = useState<CountSystem | null>(null);
  const [silent, setSilent] = useState<'brackets' | 'hidden'>('brackets');
  const [wholeView, setWholeView] = useState<FingerView | null>(null);
  const [pieceVariant, setPieceVariant] = useState(FULL_FINGERING);
  const [tempoText, setTempoText] = useState('');
  const [openOrFourth, setOpenOrFourth] = useState<'open' | 'fourth'>('open');
  const [onString, setOnString] = useState('');
  const [capo, setCapo] = useState('');
  const [lanes, setLanes] = useState<readonly Lane[]>(LANES);
  const [folded, setFolded] = useState<ReadonlySet<Lane>>(new Set(['Pedal']));
  const [shownSource, setShownSource] = useState<LaneText['source'] | 'all'>('all');
  const [blocked, setBlocked] = useState(false);
  const [otherChords, setOtherChords] = useState(false);
  const [forStudent, setForStudent] = useState(false);
  const [hairpin, setHairpin] = useState<BegunHairpin | null>(null);
  return {
    chosenSystem,
    setSystem,
    silent,
    setSilent,
    wholeView,
    setWholeView,
    pieceVariant,
    setPieceVariant,
    tempoText,
    setTempoText,
    openOrFourth,
    setOpenOrFourth,
    onString,
    setOnString,
    capo,
    setCapo,
    lanes,
    setLanes,
    folded,
    setFolded,
    shownSource,
    setShownSource,
    blocked,
    setBlocked,
    otherChords,
    setOtherChords,
    forStudent,
    setForStudent,
    hairpin,
    setHairpin,
  };
}

export type ViewChoices = ReturnType<typeof useViewChoices>;
