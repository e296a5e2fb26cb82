package wendo.app.platform.site;

import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Answers refused calls of programs with problem details (RFC 9457); pages have their own page for it. */
@RestControllerAdvice(annotations = RestController.class)
class ApiProblems extends ResponseEntityExceptionHandler {}
