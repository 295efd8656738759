/** What anybody looks at; the server keeps no larger one. */
const LONGEST_SIDE = 1600;
const QUALITY = 0.85;

/** A picture made small before it waits or travels, upright and without what the camera noted. */
export async function smaller(file: Blob): Promise<Blob> {
    const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
    try {
        const share = Math.min(1, LONGEST_SIDE / Math.max(image.width, image.height));
        const canvas = document.createElement('canvas');
        canvas.width = Math.max(1, Math.round(share * image.width));
        canvas.height = Math.max(1, Math.round(share * image.height));
        const drawn = canvas.getContext('2d');
        if (!drawn) throw new Error('There is nothing to draw on.');
        drawn.fillStyle = 'white';
        drawn.fillRect(0, 0, canvas.width, canvas.height);
        drawn.drawImage(image, 0, 0, canvas.width, canvas.height);
        return await new Promise<Blob>((resolve, reject) => canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be written.'))), 'image/jpeg', QUALITY));
    } finally {
        image.close();
    }
}
