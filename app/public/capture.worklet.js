// Hands on what the microphone hears, in blocks with the time they ended, to where pitches are found. Nothing is kept.
const BLOCK = 512;

class Capture extends AudioWorkletProcessor {
  constructor() {
    super();
    this.block = new Float32Array(BLOCK);
    this.filled = 0;
  }

  process(inputs) {
    const channel = inputs[0]?.[0];
    if (!channel) return true;
    for (let i = 0; i < channel.length; i++) {
      this.block[this.filled++] = channel[i];
      if (this.filled < BLOCK) continue;
      this.port.postMessage({ block: this.block.slice(), seconds: currentTime + (i + 1) / sampleRate });
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('capture', Capture);
