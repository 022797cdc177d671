/** Addresses of releases that are read as they were: a system's, an at sign and a version. */

/** The system and the version that an address reads; null for what can be changed. */
export function releasedAt(slug: string): { slug: string; version: string } | null {
  const [system, version] = slug.split("@");
  return system && version ? { slug: system, version } : null;
}

/** Where a release is read, in a stage. */
export const readingOf = (slug: string, version: string, stage: string) =>
  `/systems/${encodeURIComponent(`${slug.split(/[@~]/)[0]}@${version}`)}/${stage}`;
