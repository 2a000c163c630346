package potamos.server;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.converter.HttpMessageConverters;
import org.springframework.util.DigestUtils;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.PathResourceResolver;

/** The pages: files with a hash in their name are kept for a year, and every address of a place opens the one page that shows all of them. */
@Configuration
class Pages implements WebMvcConfigurer {

    private static final String STATIC = "classpath:/static/";
    private static final Pattern OTHER_FORMS = Pattern.compile("yaml|xml|cbor|smile|protobuf");

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations(STATIC + "assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
        registry.addResourceHandler("/**")
                .addResourceLocations(STATIC)
                .setCacheControl(CacheControl.noCache())
                // Builds carry one date, so that they are the same everywhere; what is the same file is told by what is
                // in it.
                .setUseLastModified(false)
                .setEtagGenerator(Pages::contents)
                .resourceChain(true)
                .addResolver(new PathResourceResolver() {
                    @Override
                    protected Resource getResource(String path, Resource location) throws IOException {
                        Resource file = super.getResource(path, location);
                        boolean place =
                                !path.startsWith("api/") && !path.startsWith("actuator/") && !path.contains(".");
                        return file != null || !place ? file : super.getResource("index.html", location);
                    }
                });
    }

    private static final Map<URI, String> CONTENTS = new ConcurrentHashMap<>();

    /** A tag that is another one as soon as a byte is. The files of a running server do not change, so each is read once. */
    private static String contents(Resource file) {
        try {
            return CONTENTS.computeIfAbsent(file.getURI(), at -> {
                try (InputStream in = file.getInputStream()) {
                    return '"' + DigestUtils.md5DigestAsHex(in) + '"';
                } catch (IOException unreadable) {
                    throw new UncheckedIOException(unreadable);
                }
            });
        } catch (IOException nowhere) {
            throw new UncheckedIOException(nowhere);
        }
    }

    /** Bodies are JSON, or the bytes of a file. Libraries bring readers of other forms along, which know nothing of strict reading. */
    @Override
    public void configureMessageConverters(HttpMessageConverters.ServerBuilder converters) {
        converters.configureMessageConvertersList(all -> all.removeIf(Pages::readsOtherForms));
    }

    private static boolean readsOtherForms(HttpMessageConverter<?> converter) {
        return converter.getSupportedMediaTypes().stream()
                .anyMatch(type -> OTHER_FORMS.matcher(type.getSubtype()).find());
    }

    @Override
    public void addViewControllers(org.springframework.web.servlet.config.annotation.ViewControllerRegistry registry) {
        registry.addViewController("/").setViewName("forward:/index.html");
    }
}
