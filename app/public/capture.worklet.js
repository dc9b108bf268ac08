// Hands on what the microphone hears, in blocks with the time they ended. Nothing is kept. Halved: every two samples as one.
const BLOCK = 512;

class Capture extends AudioWorkletProcessor {
  constructor({ processorOptions }) {
    super();
    this.step = processorOptions.isHalved ? 2 : 1;
    this.block = new Float32Array(BLOCK);
    this.filled = 0;
  }

  process(inputs) {
    const channel = inputs[0]?.[0];
    if (!channel) return true;
    for (let i = 0; i < channel.length; i += this.step) {
      this.block[this.filled++] = this.step === 2 ? (channel[i] + channel[i + 1]) / 2 : channel[i];
      if (this.filled < BLOCK) continue;
      const block = this.block;
      this.port.postMessage({ block, seconds: currentTime + (i + this.step) / sampleRate }, [block.buffer]);
      this.block = new Float32Array(BLOCK);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('capture', Capture);
