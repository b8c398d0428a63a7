package embrick.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The page itself, under every address that it routes on its own. */
@Controller
@Hidden
class PageController {
    @GetMapping({
        "/",
        "/profiles",
        "/saved-tickets",
        "/hot-folders",
        "/workers",
        "/disk",
        "/roll",
        "/desk/{*rest}",
        "/jobs/{*rest}"
    })
    String page() {
        return "forward:/index.html";
    }

    /** An address that is none of the pages': a person who asks for it gets the page that says so. */
    @GetMapping(path = "/{address:(?!api$|assets$|error$)[^.]*}", produces = MediaType.TEXT_HTML_VALUE)
    String unknown(HttpServletResponse response) {
        response.setStatus(HttpStatus.NOT_FOUND.value());
        return "forward:/index.html";
    }
}
