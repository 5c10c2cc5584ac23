package jollyroster.platform;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import org.springframework.beans.InvalidPropertyException;
import org.springframework.validation.DataBinder;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MultipartException;

/**
 * A form whose fields have names that no page of ours gives them, such as {@code question[100000].label}, is a bad request,
 * not a fault of the program. The binder takes the numbers in such names as they come.
 */
@ControllerAdvice
class BadFields {

    /** Parts of a form that break off, or say of themselves what cannot be. */
    @ExceptionHandler(MultipartException.class)
    void refuse(MultipartException broken, HttpServletResponse response) throws IOException {
        response.sendError(HttpServletResponse.SC_BAD_REQUEST);
    }

    @ExceptionHandler({IndexOutOfBoundsException.class, IllegalArgumentException.class, InvalidPropertyException.class})
    void refuse(RuntimeException thrown, HttpServletResponse response) throws IOException {
        boolean whileReadingTheForm = Arrays.stream(thrown.getStackTrace())
                .anyMatch(at -> at.getClassName().equals(DataBinder.class.getName()));
        if (!whileReadingTheForm) {
            throw thrown;
        }
        response.sendError(HttpServletResponse.SC_BAD_REQUEST);
    }
}
