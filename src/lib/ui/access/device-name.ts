/** What a device is likely called by its owner, until they say otherwise: the browser tells that much. */
export function likelyDeviceName(agent: string): string {
  const kinds: [RegExp, string][] = [
    [/iPad|Android(?!.*Mobile)|Tablet/, 'Tablet'],
    [/iPhone|Android|Mobile/, 'Phone'],
    [/Windows|Macintosh|Linux|X11|CrOS/, 'Computer']
  ];
  return kinds.find(([re]) => re.test(agent))?.[1] ?? 'Device';
}
