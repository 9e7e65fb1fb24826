import type { LiveFrame } from '@/core/driving/liveDrive';

/** Loudness at most, 0…1: what is heard informs, and is no show. */
const MOST = 0.1;
/** Heard per turn of the crankshaft, Hz per rpm: four cylinders fire twice a turn. */
const FIRING = 2 / 60;
/** Slip along itself from which a tyre is heard, and at which it is loudest. */
const SLIPS = 0.08;
const SLIPS_MOST = 0.35;
/** Slip of the rear from which it is heard sideways, rad. */
const DRIFTS = 0.1;
const SMOOTH_S = 0.05;
const KERB = 1;

export interface DriveSound {
  follow(frame: LiveFrame): void;
  close(): void;
}

/** Engine by its speed, tyres by their slip, kerbs by their rumble; `null` where nothing can be played. */
export function driveSound(): DriveSound | null {
  if (typeof AudioContext === 'undefined') return null;
  const context = new AudioContext();
  const volume = (value: number) => {
    const gain = context.createGain();
    gain.gain.value = value;
    return gain;
  };
  const all = volume(MOST);
  all.connect(context.destination);
  const engine = context.createOscillator();
  engine.type = 'triangle';
  const engineGain = volume(0);
  engine.connect(engineGain).connect(all);
  const noise = context.createBufferSource();
  const buffer = context.createBuffer(1, context.sampleRate, context.sampleRate);
  const samples = buffer.getChannelData(0);
  for (let i = 0; i < samples.length; i++) samples[i] = 2 * Math.random() - 1;
  noise.buffer = buffer;
  noise.loop = true;
  const hiss = context.createBiquadFilter();
  hiss.type = 'bandpass';
  hiss.frequency.value = 900;
  const tyres = volume(0);
  noise.connect(hiss).connect(tyres).connect(all);
  const rumble = context.createBiquadFilter();
  rumble.type = 'lowpass';
  rumble.frequency.value = 120;
  const kerb = volume(0);
  noise.connect(rumble).connect(kerb).connect(all);
  engine.start();
  noise.start();
  const to = (param: AudioParam, value: number) =>
    param.setTargetAtTime(value, context.currentTime, SMOOTH_S);
  return {
    follow(frame) {
      const isDriving = frame.state === 'driving';
      to(engine.frequency, Math.max(20, FIRING * frame.rpm));
      to(engineGain.gain, isDriving && frame.rpm > 0 ? 0.35 + 0.4 * frame.throttle : 0);
      const slip = Math.max(frame.spin - SLIPS, -frame.lock - SLIPS, Math.abs(frame.drift) - DRIFTS);
      const loud = isDriving && frame.speedMps > 2 ? Math.min(1, Math.max(0, slip / SLIPS_MOST)) : 0;
      to(tyres.gain, loud);
      to(kerb.gain, isDriving && frame.surface === KERB ? 1 : 0);
    },
    close: () => void context.close(),
  };
}
