package app.navlo.server;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

@SpringBootApplication
public class NavloApplication {
    public static void main(String[] args) {
        SpringApplication.run(NavloApplication.class, args);
    }
}
