/** Debian's Chromium as root, without a screen and without calls to the outside. */
export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** How a command starts it. What asks the command to end is the command's own to heed: it closes the browser then. */
export const LAUNCHED = {
  executablePath: '/usr/bin/chromium',
  args: CHROMIUM_FLAGS,
  handleSIGINT: false,
  handleSIGTERM: false,
  handleSIGHUP: false,
};
