const LONGEST_EDGE = 1600

/** The picture the right way up and no larger than a record needs; as it is where the browser cannot draw it. */
export async function smaller(picture: Blob): Promise<Blob> {
  if (typeof createImageBitmap === 'undefined') return picture
  try {
    const drawn = await createImageBitmap(picture, { imageOrientation: 'from-image' })
    const scale = Math.min(1, LONGEST_EDGE / Math.max(drawn.width, drawn.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(drawn.width * scale)
    canvas.height = Math.round(drawn.height * scale)
    const ink = canvas.getContext('2d')
    if (!ink) return picture
    ink.drawImage(drawn, 0, 0, canvas.width, canvas.height)
    const made = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.88))
    return made ?? picture
  } catch {
    // Not a picture that the browser can open: the server says what is wrong with it.
    return picture
  }
}

/** How a picture goes to the server: as the file that it is. */
export const asPhoto = (picture: Blob) => ({
  body: picture as unknown as string,
  bodySerializer: (blob: unknown) => blob as Blob,
  headers: { 'Content-Type': picture.type },
})
