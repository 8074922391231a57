package app.navlo.server.page;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.TransformedResource;

/** Every address of a view is the same page; files whose names carry a digest of their content are kept for good. */
@Configuration(proxyBeanMethods = false)
class PageConfig implements WebMvcConfigurer {
    private static final List<String> VIEWS = List.of(
            "next", "work", "timeline", "feedback", "standing", "leeway", "pace", "files", "notes", "links", "start");

    @Override
    public void addViewControllers(ViewControllerRegistry views) {
        views.addViewController("/s/**").setViewName("forward:/index.html");
        views.addViewController("/household").setViewName("forward:/index.html");
        views.addViewController("/join/*").setViewName("forward:/index.html");
        views.addViewController("/reset/*").setViewName("forward:/index.html");
        // Without a student they lead to one's own.
        for (String view : VIEWS) {
            views.addViewController("/" + view + "/**").setViewName("forward:/index.html");
        }
    }

    private final Page page;

    PageConfig(Page page) {
        this.page = page;
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry files) {
        // Each time anew, with a number of its own: an older copy would have one that isn't in the policy any more.
        files.addResourceHandler("/index.html")
                .addResourceLocations("classpath:/static/")
                .setUseLastModified(false)
                .setCacheControl(CacheControl.noCache())
                .resourceChain(false)
                .addTransformer((request, file, others) ->
                        new TransformedResource(file, page.written(request).getBytes(StandardCharsets.UTF_8)));
        files.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    }
}
