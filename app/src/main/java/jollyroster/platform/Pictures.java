package jollyroster.platform;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/**
 * Pictures that people send, decoded and encoded anew, so that nothing of the file itself is ever served. What claims to be
 * larger than it may be is refused before it is decoded.
 */
public final class Pictures {

    /** The largest file taken, in bytes. */
    public static final int LARGEST_FILE = 5_000_000;

    private static final long MOST_PIXELS = 40_000_000;
    private static final long ENOUGH_PIXELS = 6_000_000;

    /** One picture at a time is decoded: each may take tens of megabytes while it is. */
    private static final Semaphore ONE_AT_A_TIME = new Semaphore(1, true);

    private Pictures() {}

    /** A picture encoded anew. */
    public record Fresh(String mediaType, String ending, int width, int height, byte[] content) {}

    /** A photograph for a page, at most 1,600 pixels wide, as JPEG; empty when it is not a picture we can read. */
    public static Optional<Fresh> photograph(byte[] file) {
        return decode(file).map(image -> encode(scaled(image, 1600, BufferedImage.TYPE_INT_RGB), "image/jpeg", "jpg"));
    }

    /** A logo, at most 320 pixels wide or high, as PNG; empty when it is not a picture we can read. */
    public static Optional<Fresh> logo(byte[] file) {
        return decode(file).map(image -> encode(scaled(image, 320, BufferedImage.TYPE_INT_ARGB), "image/png", "png"));
    }

    private static Optional<BufferedImage> decode(byte[] file) {
        if (file.length > LARGEST_FILE) {
            return Optional.empty();
        }
        ONE_AT_A_TIME.acquireUninterruptibly();
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            return readers.hasNext() ? decode(readers.next(), in) : Optional.empty();
        } catch (IOException | RuntimeException notAPicture) {
            return Optional.empty();
        } finally {
            ONE_AT_A_TIME.release();
        }
    }

    private static Optional<BufferedImage> decode(ImageReader reader, ImageInputStream in) throws IOException {
        try {
            reader.setInput(in, true, true);
            long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
            return pixels < 1 || pixels > MOST_PIXELS ? Optional.empty() : Optional.of(thinned(reader, pixels));
        } finally {
            reader.dispose();
        }
    }

    /** Decoded with only as many pixels as are of use: every second, third or further one of a large picture. */
    private static BufferedImage thinned(ImageReader reader, long pixels) throws IOException {
        int every = (int) Math.max(1, Math.floor(Math.sqrt((double) pixels / ENOUGH_PIXELS)));
        ImageReadParam use = reader.getDefaultReadParam();
        use.setSourceSubsampling(every, every, 0, 0);
        return reader.read(0, use);
    }

    private static BufferedImage scaled(BufferedImage image, int most, int type) {
        double factor = Math.min(1, (double) most / Math.max(image.getWidth(), image.getHeight()));
        int width = Math.max(1, (int) Math.round(image.getWidth() * factor));
        int height = Math.max(1, (int) Math.round(image.getHeight() * factor));
        BufferedImage scaled = new BufferedImage(width, height, type);
        Graphics2D pen = scaled.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        pen.setRenderingHint(RenderingHints.KEY_RENDERING, RenderingHints.VALUE_RENDER_QUALITY);
        if (type == BufferedImage.TYPE_INT_RGB) {
            pen.setColor(Color.WHITE);
            pen.fillRect(0, 0, width, height);
        }
        pen.drawImage(image, 0, 0, width, height, null);
        pen.dispose();
        return scaled;
    }

    private static Fresh encode(BufferedImage image, String mediaType, String ending) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, ending, out);
        } catch (IOException neverInMemory) {
            throw new java.io.UncheckedIOException(neverInMemory);
        }
        return new Fresh(mediaType, ending, image.getWidth(), image.getHeight(), out.toByteArray());
    }
}
