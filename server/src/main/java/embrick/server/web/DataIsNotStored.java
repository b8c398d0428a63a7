package embrick.server.web;

import org.springframework.core.MethodParameter;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyAdvice;

/** No copy of an answer stays in a browser's cache unless whoever answers says for how long. */
@RestControllerAdvice
class DataIsNotStored implements ResponseBodyAdvice<Object> {
    @Override
    public boolean supports(MethodParameter returned, Class<? extends HttpMessageConverter<?>> converter) {
        return true;
    }

    @Override
    public Object beforeBodyWrite(
            Object body,
            MethodParameter returned,
            MediaType type,
            Class<? extends HttpMessageConverter<?>> converter,
            ServerHttpRequest request,
            ServerHttpResponse response) {
        if (!response.getHeaders().containsHeader(HttpHeaders.CACHE_CONTROL)) {
            response.getHeaders().setCacheControl("no-store");
        }
        return body;
    }
}
