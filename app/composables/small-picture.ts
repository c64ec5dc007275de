/** No wider or higher than this, px: what a step shows can still be seen. */
const LONGEST_PX = 640
/** Larger files are no picture of a step. */
const MOST_BYTES = 40e6
/** As text in the project file. */
const MOST_SIGNS = 150_000

type SmallPicture = { ok: true; picture: string } | { ok: false; message: string }

/** A picture made small enough to be kept in the project: a JPEG as a data address. It is never sent anywhere. */
export async function smallPicture(file: File): Promise<SmallPicture> {
  const refuse = (message: string): SmallPicture => ({ ok: false, message: `${file.name}: ${message}` })
  if (file.size > MOST_BYTES) return refuse(`larger than ${MOST_BYTES / 1e6} MB.`)
  // a drawing as text may hold scripts, and is no photograph
  if (file.type === 'image/svg+xml' || /\.svgz?$/i.test(file.name)) return refuse('a drawing, not a photograph. Use a JPEG or PNG.')
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file)
  } catch {
    return refuse('cannot be read as a picture. Use a JPEG or PNG.')
  }
  const canvas = document.createElement('canvas')
  for (const [longest, quality] of [
    [LONGEST_PX, 0.72],
    [LONGEST_PX, 0.5],
    [LONGEST_PX / 2, 0.5],
  ] as const) {
    const by = Math.min(1, longest / Math.max(bitmap.width, bitmap.height))
    canvas.width = Math.max(1, Math.round(bitmap.width * by))
    canvas.height = Math.max(1, Math.round(bitmap.height * by))
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
    const picture = canvas.toDataURL('image/jpeg', quality)
    if (picture.length <= MOST_SIGNS && picture.startsWith('data:image/jpeg')) {
      bitmap.close()
      return { ok: true, picture }
    }
  }
  bitmap.close()
  return refuse('could not be made small enough.')
}
