package app.navlo.school.college;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.concurrent.TimeUnit;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveOutputStream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Spoils answers, as the switch says. */
final class CollegeFaults {
    private static final String NEW = "renamed/";
    private static final int MANY = 50_000;
    private static final int MANY_EVENTS = 30_000;
    private static final long BOMB_BYTES = 10L << 30;
    private static final int CHUNK = 1 << 20;
    private static final Duration LONGEST_HANG = Duration.ofSeconds(20);
    private static final Charset OLD = Charset.forName("windows-1252");

    private volatile Fault now = Fault.NONE;
    private int asked;

    Fault now() {
        return now;
    }

    synchronized void now(Fault fault) {
        now = fault;
        asked = 0;
        notifyAll();
    }

    /** Waits for as long as requests aren't to be answered. */
    synchronized void hang() throws InterruptedException {
        long until = System.nanoTime() + LONGEST_HANG.toNanos();
        while (now == Fault.HANGING && System.nanoTime() < until) {
            TimeUnit.NANOSECONDS.timedWait(this, Math.max(1, until - System.nanoTime()));
        }
    }

    synchronized ObjectNode record(ObjectNode record) {
        ArrayNode items = (ArrayNode) record.get("items");
        ArrayNode deeds = (ArrayNode) record.get("deeds");
        switch (now) {
            case REPEAT -> {
                items.addAll(items.deepCopy());
                deeds.addAll(deeds.deepCopy());
            }
            case NEW_KEYS -> {
                items.forEach(item -> rename((ObjectNode) item, "key"));
                deeds.forEach(deed -> rename((ObjectNode) deed, "item"));
            }
            case MOVING_DUES -> {
                if (asked++ % 2 == 0) {
                    items.forEach(item -> later((ObjectNode) item));
                }
            }
            case MANY -> {
                ObjectNode pattern = (ObjectNode) items.get(0);
                for (int i = 0; i < MANY; i++) {
                    items.add(pattern.deepCopy().put("key", "many/" + i).put("title", "One of many " + i));
                }
            }
            case BROKEN_ROW -> {
                ((ObjectNode) items.get(1)).put("due", "soon").put("points", "lots");
                ((ObjectNode) items.get(2)).putNull("title");
            }
            default -> {}
        }
        return record;
    }

    private static void rename(ObjectNode node, String field) {
        node.put(field, NEW + node.get(field).asString());
    }

    /** What was sent under a new name. */
    String oldKey(String key) {
        return key.startsWith(NEW) ? key.substring(NEW.length()) : key;
    }

    private static void later(ObjectNode item) {
        JsonNode due = item.get("due");
        if (due.isNull()) {
            return;
        }
        String text = due.asString();
        item.put(
                "due",
                text.length() == 10
                        ? LocalDate.parse(text).plusDays(1).toString()
                        : Instant.parse(text).plus(1, ChronoUnit.DAYS).toString());
    }

    byte[] calendar(byte[] calendar) {
        if (now != Fault.MANY) {
            return calendar;
        }
        StringBuilder many = new StringBuilder("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//school//EN\r\n");
        for (int i = 0; i < MANY_EVENTS + 1; i++) {
            many.append(
                    "BEGIN:VEVENT\r\nUID:many-%d\r\nSUMMARY:One of many\r\nDTSTART;VALUE=DATE:20261201\r\nEND:VEVENT\r\n"
                            .formatted(i));
        }
        return many.append("END:VCALENDAR\r\n").toString().getBytes(StandardCharsets.UTF_8);
    }

    byte[] zip(byte[] bundle) throws IOException {
        return switch (now) {
            case BOMB -> bomb(bundle);
            case OLD_ENCODING -> rewritten(bundle, (name, text) -> text.getBytes(OLD));
            case BROKEN_ROW ->
                rewritten(bundle, (name, text) -> (name.equals("results.csv")
                                ? text + "x,active,,nowhere,nobody,\"never closed"
                                : name.equals("lineItems.csv") ? text + "y,active,,,\"\",,when?,soil\r\n" : text)
                        .getBytes(StandardCharsets.UTF_8));
            default -> bundle;
        };
    }

    private interface Rewrite {
        byte[] of(String name, String text);
    }

    private static byte[] rewritten(byte[] bundle, Rewrite rewrite) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipInputStream from = new ZipInputStream(new ByteArrayInputStream(bundle));
                ZipOutputStream to = new ZipOutputStream(out)) {
            for (ZipEntry entry = from.getNextEntry(); entry != null; entry = from.getNextEntry()) {
                to.putNextEntry(new ZipEntry(entry.getName()));
                to.write(rewrite.of(entry.getName(), new String(from.readAllBytes(), StandardCharsets.UTF_8)));
            }
        }
        return out.toByteArray();
    }

    /** The bundle with results of 10 GB of empty lines: one megabyte, deflated once and told again and again. */
    private static byte[] bomb(byte[] bundle) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipInputStream from = new ZipInputStream(new ByteArrayInputStream(bundle));
                ZipArchiveOutputStream to = new ZipArchiveOutputStream(out)) {
            for (ZipEntry entry = from.getNextEntry(); entry != null; entry = from.getNextEntry()) {
                if (entry.getName().equals("results.csv")) {
                    byte[] lines = lines();
                    ZipArchiveEntry large = new ZipArchiveEntry(entry.getName());
                    large.setMethod(ZipEntry.DEFLATED);
                    large.setSize(BOMB_BYTES);
                    large.setCompressedSize(lines.length);
                    large.setCrc(0);
                    to.addRawArchiveEntry(large, new ByteArrayInputStream(lines));
                } else {
                    to.putArchiveEntry(new ZipArchiveEntry(entry.getName()));
                    to.write(from.readAllBytes());
                    to.closeArchiveEntry();
                }
            }
        }
        return out.toByteArray();
    }

    private static byte[] lines() {
        byte[] plain = new byte[CHUNK];
        Arrays.fill(plain, (byte) '\n');
        Deflater deflater = new Deflater(Deflater.BEST_COMPRESSION, true);
        deflater.setInput(plain);
        byte[] chunk = new byte[CHUNK];
        int length = deflater.deflate(chunk, 0, chunk.length, Deflater.FULL_FLUSH);
        deflater.end();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        for (long written = 0; written < BOMB_BYTES; written += CHUNK) {
            out.write(chunk, 0, length);
        }
        return out.toByteArray();
    }
}
