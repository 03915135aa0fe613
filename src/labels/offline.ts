export const say = {
  lookingJobDevice: 'Looking for the job on this device …',
  noServerCan:
    'The server cannot be reached, and nobody is signed in on this device. Sign in when the network is back; nothing that waits here is lost.',
  tryAgain: 'Try again',
  noServerCanReached:
    'The server cannot be reached, and this job has not been opened on this device before. Open it once with a network; after that it works without.',
  withoutNetwork: 'Without a network.',
  asDeviceSaw: (name: string, title: string, at: string, at2: string): string =>
    `${name}, ${title}, as this device saw it on ${at} at ${at2} UTC. What you accept is kept here and sent when the server answers. `,
  tryServer: 'Try the server',
  benchWithoutNetwork: 'Bench, without a network',
} as const
