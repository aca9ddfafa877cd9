package nursery.app.platform;

import java.lang.reflect.Constructor;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.ibatis.reflection.factory.DefaultObjectFactory;
import org.apache.ibatis.session.Configuration;
import org.mybatis.spring.boot.autoconfigure.ConfigurationCustomizer;
import org.springframework.stereotype.Component;

/**
 * Makes the rows that mappers return. The stock factory first tries a package-private record's constructor without
 * leave, fails, and tries again, for every row; this one asks once.
 */
@Component
final class RowFactory implements ConfigurationCustomizer {

    @Override
    public void customize(Configuration configuration) {
        configuration.setObjectFactory(new Rows());
    }

    private static final class Rows extends DefaultObjectFactory {

        private static final long serialVersionUID = 1;
        private final transient Map<Class<?>, Constructor<?>> known = new ConcurrentHashMap<>();

        @Override
        public <T> T create(Class<T> type, List<Class<?>> argumentTypes, List<Object> arguments) {
            if (!type.isRecord() || argumentTypes == null) {
                return super.create(type, argumentTypes, arguments);
            }
            try {
                return type.cast(known.computeIfAbsent(type, record -> canonical(record, argumentTypes))
                        .newInstance(arguments.toArray()));
            } catch (ReflectiveOperationException e) {
                throw new IllegalStateException(
                        "A row of " + type.getSimpleName() + " could not be made of " + arguments, e);
            }
        }

        private static Constructor<?> canonical(Class<?> type, List<Class<?>> argumentTypes) {
            try {
                Constructor<?> constructor = type.getDeclaredConstructor(argumentTypes.toArray(Class<?>[]::new));
                constructor.setAccessible(true);
                return constructor;
            } catch (NoSuchMethodException e) {
                throw new IllegalStateException(type + " has no such constructor", e);
            }
        }
    }
}
