package nursery.app.lan;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.KeyStore;
import java.security.MessageDigest;
import java.security.cert.CertificateParsingException;
import java.security.cert.X509Certificate;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import nursery.app.platform.Secret;

/**
 * A certificate authority of the shop's own and a certificate for the names and addresses of this machine, made by the
 * JDK's keytool; nothing of it is ours but the order of the commands. The authority lasts ten years, a certificate 90
 * days, and a new one is made when 30 are left or a name is missing in it.
 */
public final class Certificates {

    private static final int AUTHORITY_DAYS = 3650;
    private static final int CERTIFICATE_DAYS = 90;
    private static final Duration RENEWED_BEFORE = Duration.ofDays(30);
    private static final int NAME_IS_DNS = 2;
    private static final int NAME_IS_IP = 7;

    private final Path folder;

    /** @param folder which only its owner may read */
    public Certificates(Path folder) {
        this.folder = folder;
    }

    Path store() {
        return folder.resolve("server.p12");
    }

    private Path authority() {
        return folder.resolve("authority.p12");
    }

    /** The authority's certificate, to be installed on devices. */
    Path toTrust() {
        return folder.resolve("nursery.crt");
    }

    private Path secret() {
        return folder.resolve("secret");
    }

    String password() throws IOException {
        return Files.readString(secret()).strip();
    }

    /**
     * Makes what is missing.
     *
     * @return whether the server's certificate is a new one
     */
    synchronized boolean ensure(Collection<String> hosts, Instant now) throws IOException {
        Files.createDirectories(folder);
        Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        if (!Files.exists(secret())) {
            Files.writeString(secret(), Secret.fresh().text() + "\n");
            Files.setPosixFilePermissions(secret(), PosixFilePermissions.fromString("rw-------"));
        }
        if (!Files.exists(authority())) {
            keytool(
                    "-genkeypair",
                    "-alias",
                    "authority",
                    "-keystore",
                    authority().toString(),
                    "-keyalg",
                    "EC",
                    "-groupname",
                    "secp256r1",
                    "-sigalg",
                    "SHA256withECDSA",
                    "-validity",
                    "" + AUTHORITY_DAYS,
                    "-dname",
                    "CN=Nursery workshop authority",
                    "-ext",
                    "bc:critical=ca:true,pathlen:0",
                    "-ext",
                    "ku:critical=keyCertSign,cRLSign");
        }
        if (!Files.exists(toTrust())) {
            keytool(
                    "-exportcert",
                    "-rfc",
                    "-alias",
                    "authority",
                    "-keystore",
                    authority().toString(),
                    "-file",
                    toTrust().toString());
        }
        if (Files.exists(store()) && isGood(hosts, now)) {
            return false;
        }
        issue(hosts);
        return true;
    }

    /** Whether there is time left, and every host is in it. */
    private boolean isGood(Collection<String> hosts, Instant now) throws IOException {
        X509Certificate certificate = read(store(), "server");
        return certificate.getNotAfter().toInstant().isAfter(now.plus(RENEWED_BEFORE))
                && names(certificate)
                        .containsAll(hosts.stream().map(Certificates::plain).toList());
    }

    private void issue(Collection<String> hosts) throws IOException {
        Path fresh = folder.resolve("server.new.p12");
        Path request = folder.resolve("server.csr");
        Path chain = folder.resolve("server.pem");
        Files.deleteIfExists(fresh);
        String names = hosts.stream()
                .map(host -> (isAddress(host) ? "ip:" : "dns:") + plain(host))
                .collect(Collectors.joining(","));
        keytool(
                "-genkeypair",
                "-alias",
                "server",
                "-keystore",
                fresh.toString(),
                "-keyalg",
                "EC",
                "-groupname",
                "secp256r1",
                "-validity",
                "" + CERTIFICATE_DAYS,
                "-dname",
                "CN=Nursery workshop");
        keytool("-certreq", "-alias", "server", "-keystore", fresh.toString(), "-file", request.toString());
        keytool(
                "-gencert",
                "-rfc",
                "-alias",
                "authority",
                "-keystore",
                authority().toString(),
                "-infile",
                request.toString(),
                "-outfile",
                chain.toString(),
                "-validity",
                "" + CERTIFICATE_DAYS,
                "-ext",
                "san=" + names,
                "-ext",
                "eku=serverAuth",
                "-ext",
                "ku:critical=digitalSignature");
        keytool(
                "-importcert",
                "-noprompt",
                "-alias",
                "authority",
                "-keystore",
                fresh.toString(),
                "-file",
                toTrust().toString());
        keytool(
                "-importcert",
                "-noprompt",
                "-alias",
                "server",
                "-keystore",
                fresh.toString(),
                "-file",
                chain.toString());
        Files.deleteIfExists(request);
        Files.deleteIfExists(chain);
        for (Path keys : List.of(authority(), fresh)) {
            Files.setPosixFilePermissions(keys, PosixFilePermissions.fromString("rw-------"));
        }
        Files.move(fresh, store(), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
    }

    /** SHA-256 of the authority's certificate, in pairs as devices show it. */
    String fingerprint() throws IOException {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256")
                    .digest(read(authority(), "authority").getEncoded());
            return HexFormat.ofDelimiter(":").withUpperCase().formatHex(digest);
        } catch (GeneralSecurityException e) {
            throw new IOException(e);
        }
    }

    Instant goodUntil() throws IOException {
        return read(store(), "server").getNotAfter().toInstant();
    }

    private X509Certificate read(Path file, String alias) throws IOException {
        try {
            KeyStore store = KeyStore.getInstance(file.toFile(), password().toCharArray());
            if (store.getCertificate(alias) instanceof X509Certificate found) {
                return found;
            }
            throw new IOException(file + " holds no certificate called " + alias + ": delete it, it is made anew.");
        } catch (GeneralSecurityException e) {
            throw new IOException(e);
        }
    }

    private static Set<String> names(X509Certificate certificate) throws IOException {
        try {
            Set<String> names = new TreeSet<>();
            Collection<List<?>> all = certificate.getSubjectAlternativeNames();
            if (all != null) {
                all.stream()
                        .filter(name ->
                                name.get(0).equals(NAME_IS_DNS) || name.get(0).equals(NAME_IS_IP))
                        .forEach(name -> names.add(plain(String.valueOf(name.get(1)))));
            }
            return names;
        } catch (CertificateParsingException e) {
            throw new IOException(e);
        }
    }

    private static boolean isAddress(String host) {
        return host.startsWith("[") || host.matches("[0-9.]+");
    }

    /** An address as certificates have it: no brackets, and of IPv6 every group written out. */
    private static String plain(String host) {
        String bare = host.replaceAll("[\\[\\]]", "").toLowerCase(Locale.ROOT);
        return bare.contains(":") ? MachineNames.written(bare) : bare;
    }

    private void keytool(String... arguments) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "keytool").toString()));
        command.addAll(List.of(arguments));
        command.addAll(List.of("-storetype", "PKCS12", "-storepass:file", secret().toString()));
        Path said = Files.createTempFile(folder, "keytool", ".log");
        try {
            Process process = new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(said.toFile())
                    .start();
            if (!process.waitFor(60, TimeUnit.SECONDS) || process.exitValue() != 0) {
                process.destroyForcibly();
                throw new IOException("keytool %s failed: %s".formatted(arguments[0], Files.readString(said)));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException(e);
        } finally {
            Files.deleteIfExists(said);
        }
    }
}
