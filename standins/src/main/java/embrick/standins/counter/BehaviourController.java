package embrick.standins.counter;

import embrick.standins.common.RefusedException;
import embrick.standins.common.StateFiles;
import embrick.standins.counter.Behaviour.Door;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** How the counter behaves, looked at and set; it stays so over a restart. */
@RestController
class BehaviourController implements WebMvcConfigurer {
    private final StateFiles files;
    private final Path file;
    private volatile Behaviour behaviour;

    BehaviourController(StateFiles files, @Value("${standin.home}") Path home) {
        this.files = files;
        this.file = home.resolve("behaviour.json");
        this.behaviour = files.read(file, Behaviour.class).orElse(Behaviour.GOOD_DAY);
    }

    @GetMapping("/behaviour")
    Behaviour now() {
        return behaviour;
    }

    @PutMapping("/behaviour")
    synchronized Behaviour set(@Valid @RequestBody Behaviour wanted) {
        files.write(file, wanted);
        behaviour = wanted;
        return behaviour;
    }

    /** True as often as connections are to be cut. */
    synchronized boolean takeCut() {
        if (behaviour.cuts() == 0) {
            return false;
        }
        set(behaviour.cutOnceLess());
        return true;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new HandlerInterceptor() {
                    @Override
                    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
                        if (behaviour.door() == Door.DOWN) {
                            throw new RefusedException(
                                    HttpStatus.SERVICE_UNAVAILABLE, "closed", "The counter is closed at the moment.");
                        }
                        return true;
                    }
                })
                .excludePathPatterns("/behaviour");
    }
}
