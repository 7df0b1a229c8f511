/** Where this server keeps everything: the folder that the start script names. */
export function dataFolder(): string {
  return process.env.OAK_PINCH_DATA || './.data/gym'
}
