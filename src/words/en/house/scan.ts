import { catalogue } from '../../catalogue.ts';

/** What the page that reads labels says. */
export const WORDS = catalogue({
  scan: 'Scan a label',
  what: 'Opens the tray with the job that is due: on the heat its count, else its batch.',
  startCamera: 'Start the camera',
  looking: 'Looking…',
  fromPicture: 'Read from a picture',
  orType: 'Or type the code on the label',
  open: 'Open',
  holdOver: 'Hold the camera over the code.',
  cameraPicture: 'What the camera sees',
  cameraRefused:
    'The camera was refused. Allow it for this page in the browser’s settings, read the label from a picture, or type its code.',
  noCamera:
    'There is no camera to be had here: browsers give it only over HTTPS or on the machine itself. Read the label from a picture, or type its code.',
  noCodeInPicture: 'There is no code to be read in this picture. Take it from nearer, straight on and sharp.',
  noTrayCode: (text: string) => `This code is none of a tray: ${text}`,
  ofAnotherNursery: (host: string, code: string) =>
    `This label is of another nursery or another address (${host}). Its code ${code} may be another tray here.`,
  openHereAllTheSame: 'Open this code here all the same',
});
