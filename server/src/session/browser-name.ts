import Bowser from 'bowser';

/** Like “Firefox on Windows”, by what a browser says of itself; it may say what it likes. */
export function browserName(userAgent: string | undefined): string {
  if (!userAgent) return 'a program';
  const { browser, os } = Bowser.parse(userAgent.slice(0, 500));
  const name = browser.name?.slice(0, 40) || 'a program';
  return os.name ? `${name} on ${os.name.slice(0, 40)}` : name;
}
