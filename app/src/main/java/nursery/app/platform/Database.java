package nursery.app.platform;

import org.apache.ibatis.session.ExecutorType;
import org.apache.ibatis.session.SqlSessionFactory;
import org.mybatis.spring.MyBatisExceptionTranslator;
import org.mybatis.spring.SqlSessionTemplate;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** How statements are run and their troubles told. */
@Configuration(proxyBeanMethods = false)
class Database {

    /**
     * Learns the database's error numbers now: done at the first trouble, as it would be otherwise, it asks the
     * database that is just not answering.
     */
    @Bean
    SqlSessionTemplate statements(SqlSessionFactory factory) {
        return new SqlSessionTemplate(
                factory,
                ExecutorType.SIMPLE,
                new MyBatisExceptionTranslator(
                        factory.getConfiguration().getEnvironment().getDataSource(), false));
    }
}
