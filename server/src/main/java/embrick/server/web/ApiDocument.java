package embrick.server.web;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.servers.Server;
import java.util.List;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The head of the OpenAPI document: the same wherever it is asked for. */
@Configuration
class ApiDocument {
    @Bean
    OpenAPI openApi() {
        return new OpenAPI()
                .info(new Info()
                        .title("Embrick")
                        .version("v1")
                        .description("Everything the screens do, for a lab's own scripts."))
                .servers(List.of(new Server().url("/")));
    }
}
