export const workOverANetwork = (_a: number, _s: number) => Promise.resolve({});
