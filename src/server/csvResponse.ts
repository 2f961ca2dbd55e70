/** A table as a file that a browser keeps, with a name that says what it is. */
export function csvResponse(name: string, text: string): Response {
  const file = `${name.toLowerCase().replace(/[^a-z0-9-]+/g, '-')}.csv`
  return new Response(text, {
    headers: { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="${file}"` },
  })
}
