package jollyroster.demo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.GeneralPath;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import javax.imageio.ImageIO;
import jollyroster.platform.PictureCommands;
import jollyroster.platform.Pictures;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** A picture for the demo, drawn here so that it belongs to nobody: a rope across a bench, with the sea behind. */
@Component
@Profile("demo")
class DemoPictures {

    private static final int WIDTH = 1280;
    private static final int HEIGHT = 460;
    private final PictureCommands pictures;

    DemoPictures(PictureCommands pictures) {
        this.pictures = pictures;
    }

    /** @return the name of the kept picture */
    Optional<String> drawn() {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        sea(pen);
        bench(pen);
        rope(pen);
        pen.dispose();
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", file);
        } catch (IOException neverInMemory) {
            throw new UncheckedIOException(neverInMemory);
        }
        return Pictures.photograph(file.toByteArray()).map(picture -> pictures.keep(picture, DemoActor.PROGRAM));
    }

    private static void sea(Graphics2D pen) {
        pen.setColor(new Color(0xEBF5F8));
        pen.fillRect(0, 0, WIDTH, HEIGHT);
        for (int row = 0; row < 5; row++) {
            pen.setColor(new Color(0x2F7896).brighter());
            pen.setStroke(new BasicStroke(2 + row));
            GeneralPath wave = new GeneralPath();
            wave.moveTo(0, 120 + row * 34);
            for (int x = 0; x < WIDTH; x += 80) {
                wave.quadTo(x + 20, 104 + row * 34 + row * 3, x + 40, 120 + row * 34);
                wave.quadTo(x + 60, 136 + row * 34, x + 80, 120 + row * 34);
            }
            pen.draw(wave);
        }
    }

    private static void bench(Graphics2D pen) {
        pen.setColor(new Color(0xE3CFA0));
        pen.fillRect(0, 300, WIDTH, HEIGHT - 300);
        pen.setColor(new Color(0xC9AE74));
        pen.setStroke(new BasicStroke(3));
        for (int y = 300; y < HEIGHT; y += 52) {
            pen.drawLine(0, y, WIDTH, y);
        }
    }

    private static void rope(Graphics2D pen) {
        GeneralPath rope = new GeneralPath();
        rope.moveTo(-20, 400);
        rope.curveTo(260, 360, 420, 430, 560, 380);
        rope.curveTo(760, 300, 760, 180, 640, 190);
        rope.curveTo(520, 200, 560, 340, 720, 372);
        rope.curveTo(900, 410, 1060, 340, 1300, 388);
        pen.setStroke(new BasicStroke(34, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        pen.setColor(new Color(0x14212B));
        pen.draw(rope);
        pen.setStroke(new BasicStroke(27, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        pen.setColor(new Color(0xF4EAD2));
        pen.draw(rope);
        pen.setStroke(new BasicStroke(27, BasicStroke.CAP_BUTT, BasicStroke.JOIN_ROUND, 1, new float[] {3, 19}, 0));
        pen.setColor(new Color(0xA01A63));
        pen.draw(rope);
    }
}
