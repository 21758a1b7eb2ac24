/** Sent with every page, endpoint and file. */
export const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), geolocation=(), microphone=()',
};

/** Over plain http on a network a browser does not heed this one, and complains of it. */
export const TRUSTWORTHY_HEADERS: Readonly<Record<string, string>> = { 'cross-origin-opener-policy': 'same-origin' };

/** What a page may load: only what comes from here. Hashes are of the few scripts that stand in a page itself. */
export function policyWith(hashes: readonly string[]): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'wasm-unsafe-eval' ${hashes.join(' ')}`.trim(),
    "worker-src 'self'",
    // Drawings and the widgets place things by style.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** For what is no page. */
export const POLICY = policyWith([]);
