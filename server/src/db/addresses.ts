/**
 * Addresses of the nodes of one database, in the order in which they are tried: `mariadb://who:word@a:3306,b:3306/name`
 * names two.
 */
export function addressesOf(url: string): string[] {
  const [, before, hosts, after] = /^([a-z]+:\/\/(?:[^@/]*@)?)([^@/]+)(.*)$/.exec(url) ?? [];
  return hosts ? hosts.split(',').map((host) => `${before}${host}${after}`) : [url];
}
