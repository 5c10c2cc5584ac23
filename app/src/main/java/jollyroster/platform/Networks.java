package jollyroster.platform;

import java.net.InetAddress;
import java.net.UnknownHostException;

/** Where requests come from: the network rather than the machine, as one household or attacker has a whole one. */
public final class Networks {

    private static final int V4_BYTES = 3;
    private static final int V6_BYTES = 7;

    private Networks() {}

    /** The first 24 bits of an IPv4 address or 56 of an IPv6 address, as text; whatever is no address as it is. */
    public static String of(String address) {
        try {
            byte[] bytes = InetAddress.getByName(address).getAddress();
            StringBuilder network = new StringBuilder();
            for (int i = 0; i < (bytes.length == 4 ? V4_BYTES : V6_BYTES); i++) {
                network.append(Integer.toHexString(bytes[i] & 0xFF)).append('.');
            }
            return network.toString();
        } catch (UnknownHostException notAnAddress) {
            return address;
        }
    }

    /** Whether it is this machine itself, on which a proxy may speak for everybody. */
    public static boolean isThisMachine(String address) {
        try {
            return InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException notAnAddress) {
            return false;
        }
    }
}
