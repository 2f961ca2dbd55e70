/** Longest side of a picture that is kept, px: enough to see a layer or a colour. */
const longestSide = 480

/** A picture made small enough to stand in the book, as a JPEG data URL of at most so many characters. @throws where the file is no picture */
export async function smallPicture(file: Blob, mostCharacters: number): Promise<string> {
  const bitmap = await createImageBitmap(file)
  for (let side = longestSide, quality = 0.7; ; side *= 0.8, quality = Math.max(0.4, quality - 0.1)) {
    const scale = Math.min(1, side / Math.max(bitmap.width, bitmap.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.max(1, Math.round(bitmap.width * scale))
    canvas.height = Math.max(1, Math.round(bitmap.height * scale))
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    const url = canvas.toDataURL('image/jpeg', quality)
    if (url.length <= mostCharacters) return url
  }
}
