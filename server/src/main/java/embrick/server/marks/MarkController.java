package embrick.server.marks;

import embrick.server.problems.ProblemException;
import embrick.server.storage.KeptStencils;
import embrick.server.storage.StencilRefusedException;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Takes the pictures of marks. */
@RestController
@RequestMapping("/api/v1/marks")
class MarkController {
    private final KeptStencils stencils;

    MarkController(KeptStencils stencils) {
        this.stencils = stencils;
    }

    /** A picture that a ticket's mark may name. */
    record MarkPictureView(@NotNull String digest, int width, int height) {}

    @PostMapping(consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content =
                    @Content(
                            mediaType = MediaType.APPLICATION_OCTET_STREAM_VALUE,
                            schema = @Schema(type = "string", format = "binary")))
    MarkPictureView addMarkPicture(HttpServletRequest request) throws IOException {
        byte[] bytes = request.getInputStream().readNBytes(KeptStencils.mostBytes() + 1);
        try {
            KeptStencils.Taken taken = stencils.take(bytes);
            return new MarkPictureView(
                    taken.digest(), taken.size().width(), taken.size().height());
        } catch (StencilRefusedException refused) {
            throw ProblemException.invalid(
                    "mark-picture", "mark", "The mark's picture " + refused.getMessage() + ".", refused.remedy());
        }
    }

    @GetMapping(path = "/{digest}/file", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> getMarkPicture(@PathVariable String digest) throws IOException {
        if (!stencils.holds(digest)) {
            throw ProblemException.notFound("mark's picture");
        }
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(stencils.png(digest));
    }
}
