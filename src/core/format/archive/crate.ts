/** A file of an archive: where it stands in it, what it is, and how large. */
export interface CrateFile {
  path: string
  /** What it is, for people. */
  name: string
  /** Media type. */
  type: string
  /** Its size, bytes. */
  bytes: number
  sha256: string
}

/** What an archive is of. */
export interface CrateOf {
  name: string
  description: string
  /** ISO 8601. */
  at: string
  college: string
  /** Version of the computation whose figures stand in it. */
  computation: string
}

export const metadataPath = 'ro-crate-metadata.json'

/**
 * The metadata of a Research Object Crate 1.1 (https://w3id.org/ro/crate/1.1): the crate, its files with media type, size and SHA-256 checksum.
 */
export function crateMetadata({ name, description, at, college, computation }: CrateOf, files: readonly CrateFile[]): string {
  return `${JSON.stringify(
    {
      '@context': 'https://w3id.org/ro/crate/1.1/context',
      '@graph': [
        {
          '@id': metadataPath,
          '@type': 'CreativeWork',
          conformsTo: { '@id': 'https://w3id.org/ro/crate/1.1' },
          about: { '@id': './' },
        },
        {
          '@id': './',
          '@type': 'Dataset',
          name,
          description,
          datePublished: at,
          publisher: { '@id': '#college' },
          license: 'All rights with the college that made it, unless it says otherwise.',
          hasPart: files.map(({ path }) => ({ '@id': path })),
          version: computation,
        },
        { '@id': '#college', '@type': 'Organization', name: college },
        ...files.map(({ path, name: title, type, bytes, sha256 }) => ({
          '@id': path,
          '@type': 'File',
          name: title,
          encodingFormat: type,
          contentSize: String(bytes),
          sha256,
        })),
      ],
    },
    null,
    2,
  )}\n`
}

export interface CrateListed {
  path: string
  sha256: string
}

/** The files that a crate's metadata names, with their checksums. @throws Error in words where it is none of ours */
export function listedIn(metadata: string): CrateListed[] {
  let graph: unknown
  try {
    graph = (JSON.parse(metadata) as { '@graph'?: unknown })['@graph']
  } catch {
    throw new Error(`${metadataPath} is not JSON.`)
  }
  if (!Array.isArray(graph)) throw new Error(`${metadataPath} has no @graph: it is no RO-Crate.`)
  const files = (graph as Record<string, unknown>[]).filter((each) => each['@type'] === 'File')
  const listed = files.flatMap((each) =>
    typeof each['@id'] === 'string' && typeof each.sha256 === 'string' ? [{ path: each['@id'], sha256: each.sha256 }] : [],
  )
  if (listed.length === 0) throw new Error(`${metadataPath} names no files with checksums.`)
  return listed
}
