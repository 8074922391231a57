package app.navlo.server.page;

import java.time.Duration;
import java.util.List;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

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

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry files) {
        files.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    }
}
