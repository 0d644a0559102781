/** Let the browser keep a text as a file. */
export const saveAs = (name: string, type: string, text: string): void =>
  saveBlob(name, new Blob([text], { type: `${type};charset=utf-8` }))

/** Let the browser keep something as a file. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob)
  const link = Object.assign(document.createElement('a'), { href: url, download: name })
  link.click()
  URL.revokeObjectURL(url)
}

/** What a download is called by its `Content-Disposition` (RFC 6266); `usual` where that says nothing. */
export function nameOfDownload(disposition: string | null, usual: string): string {
  const coded = /filename\*=UTF-8''([^;]+)/i.exec(disposition ?? '')?.[1]
  if (coded !== undefined) return decodeURIComponent(coded)
  return /filename="((?:[^"\\]|\\.)*)"/.exec(disposition ?? '')?.[1]?.replace(/\\(.)/g, '$1') ?? usual
}
