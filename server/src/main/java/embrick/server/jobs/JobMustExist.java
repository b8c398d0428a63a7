package embrick.server.jobs;

import embrick.server.problems.ProblemException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Whatever is asked of a job that is not there: its lists are not empty, there are none. */
@Component
class JobMustExist implements HandlerInterceptor, WebMvcConfigurer {
    private static final String OF_A_JOB = "/api/v1/jobs/{jobId}/";

    private final JobRepository jobs;

    JobMustExist(JobRepository jobs) {
        this.jobs = jobs;
    }

    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(this).addPathPatterns("/api/v1/jobs/**");
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        String pattern = String.valueOf(request.getAttribute(HandlerMapping.BEST_MATCHING_PATTERN_ATTRIBUTE));
        if (pattern.startsWith(OF_A_JOB)
                && request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE) instanceof Map<?, ?> variables
                && isUnknown(String.valueOf(variables.get("jobId")))) {
            throw ProblemException.notFound("job");
        }
        return true;
    }

    /** What is no id at all is told by whoever reads it. */
    private boolean isUnknown(String text) {
        try {
            return !jobs.existsById(UUID.fromString(text));
        } catch (IllegalArgumentException noId) {
            return false;
        }
    }
}
