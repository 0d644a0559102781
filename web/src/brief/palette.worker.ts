import { imagePalette, type Pixels } from '@outfit/core/colour'

self.onmessage = ({ data }: MessageEvent<Pixels>) => self.postMessage(imagePalette(data))
