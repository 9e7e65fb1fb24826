import { useCallback, useEffect, useRef, useState } from 'react';
import { SOUND_HZ } from '@/core/force/sound';
import type { HeardForce } from '@/core/force/forceReport';

/** However far the volume is turned up: half of what a page may give. */
const MOST = 0.5;

interface Listening {
  /** Where in the sound it is, s; `null` while it is silent. */
  atS: number | null;
  start(): void;
  stop(): void;
}

/** Plays a sound once, from its start, until it ends, is stopped, or is another. @param volume 0…1 */
export function useListening(heard: HeardForce | null, volume: number): Listening {
  const playing = useRef<{ context: AudioContext; gain: GainNode } | null>(null);
  const [atS, setAt] = useState<number | null>(null);
  const stop = useCallback(() => {
    void playing.current?.context.close();
    playing.current = null;
    setAt(null);
  }, []);

  // Another sound, or another page: what plays is no longer what is shown.
  useEffect(() => stop, [heard, stop]);
  useEffect(() => {
    playing.current?.gain.gain.setTargetAtTime(MOST * volume, playing.current.context.currentTime, 0.02);
  }, [volume]);

  const isPlaying = atS !== null;
  useEffect(() => {
    if (!isPlaying) return;
    let frame = requestAnimationFrame(function look() {
      const context = playing.current?.context;
      // The side that is heard changes every few seconds: a tenth is often enough to say so.
      if (context) setAt(Math.floor(10 * context.currentTime) / 10);
      frame = requestAnimationFrame(look);
    });
    return () => cancelAnimationFrame(frame);
  }, [isPlaying]);

  const start = () => {
    if (!heard || heard.sound.length === 0) return;
    stop();
    const context = new AudioContext();
    const buffer = context.createBuffer(1, heard.sound.length, SOUND_HZ);
    buffer.copyToChannel(heard.sound, 0);
    const source = new AudioBufferSourceNode(context, { buffer });
    const gain = new GainNode(context, { gain: MOST * volume });
    source.connect(gain).connect(context.destination);
    source.addEventListener('ended', () => {
      if (playing.current?.context === context) stop();
    });
    source.start();
    playing.current = { context, gain };
    setAt(0);
  };
  return { atS, start, stop };
}
