package embrick.server.web;

import io.swagger.v3.oas.annotations.Hidden;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The page itself, under every address that it routes on its own. */
@Controller
@Hidden
class PageController {
    @GetMapping({"/", "/profiles", "/jobs/{*rest}"})
    String page() {
        return "forward:/index.html";
    }
}
