package jollyroster.platform;

import java.util.List;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.userdetails.User;

/** A member of the team who is signed in. */
public final class Member extends User {

    private static final long serialVersionUID = 1L;
    private final long id;
    private final String name;
    private final Role role;

    public Member(long id, String name, String email, String passwordHash, Role role, boolean active) {
        super(
                email,
                passwordHash,
                active,
                true,
                true,
                true,
                List.of(new SimpleGrantedAuthority("ROLE_" + role.name())));
        this.id = id;
        this.name = name;
        this.role = role;
    }

    public long id() {
        return id;
    }

    public Role role() {
        return role;
    }

    public String name() {
        return name;
    }
}
