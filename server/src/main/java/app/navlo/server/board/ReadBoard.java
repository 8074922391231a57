package app.navlo.server.board;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Reads of one state: all queries of what is annotated see the same rows, however many there are and whatever is committed
 * meanwhile. Every answer that is made of several queries is read so; a transaction that is only {@code readOnly} around it
 * would give it another isolation without a word. Nothing is written, so a fault takes nothing back: who reads several students
 * tells of those who can be worked out.
 */
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.METHOD})
@Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ, noRollbackFor = RuntimeException.class)
public @interface ReadBoard {}
