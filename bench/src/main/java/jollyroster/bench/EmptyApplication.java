package jollyroster.bench;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** An application with the same starters and one page that says nothing: what a start is compared with. */
@SpringBootApplication
@Controller
class EmptyApplication {

    public static void main(String[] args) {
        SpringApplication.run(EmptyApplication.class, args);
    }

    @Bean
    SecurityFilterChain everybody(HttpSecurity http) {
        return http.authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .build();
    }

    @GetMapping("/")
    String page() {
        return "empty";
    }
}
