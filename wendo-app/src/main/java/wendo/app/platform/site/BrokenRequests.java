package wendo.app.platform.site;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;

/** A post that was to bring a file and is none, or brings too much of one. */
@ControllerAdvice(annotations = Controller.class)
@Order(0)
class BrokenRequests {

    @ExceptionHandler(MaxUploadSizeExceededException.class)
    void tooLarge(HttpServletResponse response) throws IOException {
        response.sendError(HttpStatus.CONTENT_TOO_LARGE.value());
    }

    @ExceptionHandler(MultipartException.class)
    void noFile(HttpServletResponse response) throws IOException {
        response.sendError(HttpStatus.BAD_REQUEST.value());
    }
}
