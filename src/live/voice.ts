'use client';

import { create } from 'zustand';
import { remember, remembered } from './remembered';

const KEY = 'pebble-muted';

/** Whether prompts are spoken and answered with tones; remembered in this browser. */
export const useVoice = create<{ isMuted: boolean }>(() => ({
  isMuted: remembered(KEY) === 'yes',
}));

export function setMuted(isMuted: boolean) {
  remember(KEY, isMuted ? 'yes' : 'no');
  useVoice.setState({ isMuted });
  if (isMuted && 'speechSynthesis' in window) window.speechSynthesis.cancel();
}

/** Speaks a text where the browser can; always also written. A new text cuts the one before. */
export function speak(text: string) {
  if (useVoice.getState().isMuted || !('speechSynthesis' in window)) return;
  window.speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = 'en';
  window.speechSynthesis.speak(words);
}

/** Frequencies in Hz, played one after the other. */
const TONES = {
  counted: [880],
  done: [660, 990],
  fault: [220],
} as const;
const TONE_S = 0.11;
const LOUDNESS = 0.12;

let context: AudioContext | null = null;

/** A short tone: a repeat counted, a step done, or something not taken. */
export function tone(kind: keyof typeof TONES) {
  if (useVoice.getState().isMuted || typeof AudioContext === 'undefined') return;
  const audio = (context ??= new AudioContext());
  TONES[kind].forEach((frequency, i) => {
    const from = audio.currentTime + i * TONE_S;
    const oscillator = audio.createOscillator();
    const gain = audio.createGain();
    oscillator.frequency.value = frequency;
    gain.gain.setValueAtTime(0, from);
    gain.gain.linearRampToValueAtTime(LOUDNESS, from + 0.01);
    gain.gain.linearRampToValueAtTime(0, from + TONE_S);
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start(from);
    oscillator.stop(from + TONE_S);
  });
}
