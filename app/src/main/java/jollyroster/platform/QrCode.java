package jollyroster.platform;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import javax.imageio.ImageIO;

/** An address as a QR code (ISO/IEC 18004), with a quiet zone of four modules and medium error correction. */
public final class QrCode {

    private static final int QUIET = 4;
    private final BitMatrix modules;

    private QrCode(BitMatrix modules) {
        this.modules = modules;
    }

    /** @param text at most some 2,000 characters */
    public static QrCode of(String text) {
        try {
            return new QrCode(new QRCodeWriter()
                    .encode(
                            text,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(
                                    EncodeHintType.ERROR_CORRECTION,
                                    ErrorCorrectionLevel.M,
                                    EncodeHintType.MARGIN,
                                    QUIET)));
        } catch (WriterException tooLong) {
            throw new IllegalArgumentException(tooLong);
        }
    }

    /** One path of unit squares, which prints sharply at any size. */
    public String svg() {
        StringBuilder path = new StringBuilder();
        for (int y = 0; y < modules.getHeight(); y++) {
            for (int x = 0; x < modules.getWidth(); x++) {
                if (modules.get(x, y)) {
                    path.append('M').append(x).append(' ').append(y).append("h1v1h-1z");
                }
            }
        }
        return "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 " + modules.getWidth() + " "
                + modules.getHeight() + "\" width=\"" + modules.getWidth() * 8 + "\" height=\""
                + modules.getHeight() * 8
                + "\" shape-rendering=\"crispEdges\"><path fill=\"#fff\" d=\"M0 0h" + modules.getWidth() + "v"
                + modules.getHeight() + "H0z\"/><path d=\"" + path + "\"/></svg>";
    }

    /** @param scale pixels a module */
    public byte[] png(int scale) {
        int side = modules.getWidth() * scale;
        BufferedImage image = new BufferedImage(side, side, BufferedImage.TYPE_BYTE_BINARY);
        for (int y = 0; y < side; y++) {
            for (int x = 0; x < side; x++) {
                image.setRGB(x, y, modules.get(x / scale, y / scale) ? 0x000000 : 0xFFFFFF);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException neverInMemory) {
            throw new UncheckedIOException(neverInMemory);
        }
        return out.toByteArray();
    }
}
