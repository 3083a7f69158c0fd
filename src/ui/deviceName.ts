/** What a list of devices calls this one: browser and system, as far as the browser tells. */
export function deviceName(): string {
  const agent = navigator.userAgent;
  const system = /android/i.test(agent)
    ? 'Android'
    : /iphone|ipad/i.test(agent)
      ? 'iOS'
      : /windows/i.test(agent)
        ? 'Windows'
        : /mac os/i.test(agent)
          ? 'macOS'
          : /linux/i.test(agent)
            ? 'Linux'
            : '';
  const browser = /firefox/i.test(agent)
    ? 'Firefox'
    : /edg\//i.test(agent)
      ? 'Edge'
      : /chrom/i.test(agent)
        ? 'Chromium'
        : /safari/i.test(agent)
          ? 'Safari'
          : '';
  return [browser, system].filter(Boolean).join(', ');
}
