/** Two short tones, where the browser may sound; silent where it may not. */
export function ringOnce() {
  try {
    const audio = new AudioContext()
    for (const [at, pitch] of [
      [0, 880],
      [0.25, 1175],
    ] as const) {
      const tone = audio.createOscillator()
      const volume = audio.createGain()
      tone.frequency.value = pitch
      volume.gain.setValueAtTime(0.15, audio.currentTime + at)
      volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.2)
      tone.connect(volume).connect(audio.destination)
      tone.start(audio.currentTime + at)
      tone.stop(audio.currentTime + at + 0.22)
    }
    setTimeout(() => void audio.close(), 1000)
  } catch {
    // No sound: the page and its title still say it.
  }
}

/** Tell the reader where they allowed it and look elsewhere. */
export function sayByNotification(text: string) {
  if (!('Notification' in window) || Notification.permission !== 'granted' || !document.hidden) return
  try {
    new Notification(text)
  } catch {
    // Some phones only let a service worker notify.
  }
}
export const mayAskToNotify = () => 'Notification' in window && Notification.permission === 'default'

/** A sentence read aloud by the browser; what it was saying before ends. */
export function readAloud(text: string) {
  if (!('speechSynthesis' in window)) return
  speechSynthesis.cancel()
  speechSynthesis.speak(new SpeechSynthesisUtterance(text))
}
export const stopReading = () => 'speechSynthesis' in window && speechSynthesis.cancel()
