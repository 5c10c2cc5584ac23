package jollyroster;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.NotFoundException;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.ReaderException;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import javax.imageio.ImageIO;

/** Reads QR codes (ISO/IEC 18004) back. */
public final class QrReader {

    private QrReader() {}

    /** @throws NotFoundException where there is none */
    public static String text(byte[] picture) throws IOException, ReaderException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(picture));
        int[] pixels = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        var source = new RGBLuminanceSource(image.getWidth(), image.getHeight(), pixels);
        return new QRCodeReader()
                .decode(new BinaryBitmap(new HybridBinarizer(source)))
                .getText();
    }
}
