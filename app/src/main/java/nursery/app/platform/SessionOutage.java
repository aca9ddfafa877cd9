package nursery.app.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.View;
import org.springframework.web.servlet.ViewResolver;

/**
 * Sessions are in the database, so that one that is gone is met before any page is: here too it is told on a page of
 * its own instead of the container's.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class SessionOutage extends OncePerRequestFilter {

    private final Troubles troubles;
    private final ViewResolver views;

    SessionOutage(Troubles troubles, @Qualifier("thymeleafViewResolver") ViewResolver views) {
        this.troubles = troubles;
        this.views = views;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (DataAccessException | TransactionException trouble) {
            ModelAndView told = troubles.resolveException(request, response, null, trouble);
            if (told == null || response.isCommitted()) {
                throw trouble;
            }
            show(told, request, response);
        }
    }

    private void show(ModelAndView told, HttpServletRequest request, HttpServletResponse response)
            throws ServletException {
        String name = told.getViewName();
        if (name == null) {
            return;
        }
        try {
            // What was written of a page before its session could not be kept is no answer.
            response.resetBuffer();
            View view = views.resolveViewName(name, request.getLocale());
            if (view != null) {
                response.setContentType("text/html;charset=UTF-8");
                view.render(told.getModel(), request, response);
            }
        } catch (Exception e) {
            throw new ServletException(e);
        }
    }
}
