export const say = {
  sending: 'Sending',
  reading: 'Reading the table',
  storing: 'Storing readings',
  layingOut: 'Laying out the PDF',
  verifying: 'Checking reports',
  seeding: 'Writing the demo machines',
  saving: 'Saving tables',
  bringingBack: 'Bringing tables back',
  cancel: 'Cancel',
} as const
