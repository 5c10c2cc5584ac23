package jollyroster.attendance;

import java.util.OptionalLong;

/** What the attendance has to know of passes that the door gives to guests; answered by the door. */
public interface GuestPasses {

    /** The registration whose coming it is; 0 for a guest who is nobody's; empty where it is no such pass. */
    OptionalLong registration(String pass);
}
