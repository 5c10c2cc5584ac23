package jollyroster.core.messages;

import java.util.List;

/** By what a line of a plan goes. */
public enum Channels {
    EMAIL(Channel.EMAIL),
    TEXT(Channel.TEXT),
    BOTH(Channel.EMAIL, Channel.TEXT);

    private final List<Channel> all;

    Channels(Channel... all) {
        this.all = List.of(all);
    }

    /** By which a message goes, the e-mail first. */
    public List<Channel> all() {
        return all;
    }

    public boolean has(Channel channel) {
        return all.contains(channel);
    }
}
