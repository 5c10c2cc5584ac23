package jollyroster.platform;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Pictures are decoded and encoded anew; what is not one is refused. */
class PicturesTest {

    private static byte[] png(int width, int height) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB), "png", out);
        return out.toByteArray();
    }

    @Test
    void a_photograph_becomes_a_jpeg_of_at_most_1600() throws IOException {
        Pictures.Fresh fresh = Pictures.photograph(png(3200, 1000)).orElseThrow();
        assertThat(fresh.mediaType()).isEqualTo("image/jpeg");
        BufferedImage read = ImageIO.read(new ByteArrayInputStream(fresh.content()));
        assertThat(read.getWidth()).isEqualTo(1600);
        assertThat(read.getHeight()).isEqualTo(500);
    }

    @Test
    void a_logo_becomes_a_small_png_and_what_was_hidden_in_the_file_is_gone() throws IOException {
        byte[] clean = png(20, 20);
        byte[] file = java.util.Arrays.copyOf(clean, clean.length + 30);
        System.arraycopy("<script>alert(1)</script>".getBytes(StandardCharsets.UTF_8), 0, file, clean.length, 25);
        Pictures.Fresh fresh = Pictures.logo(file).orElseThrow();
        assertThat(new String(fresh.content(), StandardCharsets.ISO_8859_1)).doesNotContain("script");
        assertThat(fresh.width()).isEqualTo(20);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "GIF89a", "<svg xmlns='http://www.w3.org/2000/svg'/>", "PK\u0003\u0004 not a picture"})
    void what_is_not_a_picture_is_refused(String file) {
        assertThat(Pictures.logo(file.getBytes(StandardCharsets.ISO_8859_1))).isEmpty();
    }

    /** A PNG header that claims 60,000 by 60,000 pixels (14 GB decoded) in a few bytes. */
    @Test
    void a_bomb_is_refused_before_it_is_decoded() {
        ByteBuffer header = ByteBuffer.allocate(17).put("IHDR".getBytes(StandardCharsets.US_ASCII));
        header.putInt(60_000).putInt(60_000).put(new byte[] {8, 6, 0, 0, 0});
        CRC32 crc = new CRC32();
        crc.update(header.array());
        ByteBuffer file = ByteBuffer.allocate(8 + 4 + 17 + 4);
        file.put(new byte[] {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1A, '\n'});
        file.putInt(13).put(header.array()).putInt((int) crc.getValue());
        assertThat(Pictures.photograph(file.array())).isEmpty();
        assertThat(Pictures.photograph(new byte[Pictures.LARGEST_FILE + 1])).isEmpty();
    }
}
