package jollyroster.platform;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.stereotype.Component;

/** Signs what services that ship with the program report, in the manner of Standard Webhooks ({@code v1,<base64>}). */
@Component
public class ServiceSignature {

    private final OrganisationQueries organisation;

    ServiceSignature(OrganisationQueries organisation) {
        this.organisation = organisation;
    }

    public String sign(String id, String timestamp, String body) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(organisation.linkSecret(), "HmacSHA256"));
            byte[] text = ("hook|" + id + "." + timestamp + "." + body).getBytes(StandardCharsets.UTF_8);
            return "v1," + Base64.getEncoder().encodeToString(mac.doFinal(text));
        } catch (GeneralSecurityException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }

    /** Compares in constant time. False before anything is set up. */
    public boolean matches(String id, String timestamp, String body, String signed) {
        return organisation.isSetUp()
                && MessageDigest.isEqual(
                        sign(id, timestamp, body).getBytes(StandardCharsets.UTF_8),
                        signed.getBytes(StandardCharsets.UTF_8));
    }
}
