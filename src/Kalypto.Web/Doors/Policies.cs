using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.ApplicationModels;

namespace Kalypto.Web.Doors;

/// <summary>
/// Whom routes are for, as authorization policies: one for each <see cref="Need"/>. A group says it for all its routes, and a
/// route that says something else itself wins. A route that says nothing is for nobody.
/// </summary>
internal static class Policies
{
    /// <summary>Adds the policies, and how a refusal is answered.</summary>
    public static IServiceCollection AddPolicies(this IServiceCollection services)
    {
        services.AddAuthorization(o =>
        {
            foreach (var need in Enum.GetValues<Need>())
            {
                o.AddPolicy(need.ToString(), p => p.AddRequirements(new NeedRequirement(need)));
            }
            o.FallbackPolicy = new AuthorizationPolicyBuilder().RequireAssertion(_ => false).Build();
        });
        return services.AddSingleton<IAuthorizationHandler, NeedHandler>().AddSingleton<IAuthorizationMiddlewareResultHandler, RefusalAnswers>();
    }

    /// <summary>Says whom a route, or all routes of a group that do not say it themselves, are for.</summary>
    public static T For<T>(this T routes, Need need)
        where T : IEndpointConventionBuilder
    {
        routes.Finally(route =>
        {
            if (!route.Metadata.Any(m => m is IAuthorizeData or IAllowAnonymous))
            {
                route.Metadata.Add(new AuthorizeAttribute(need.ToString()));
            }
        });
        return routes;
    }

    /// <summary>What pages have in common: they are only looked at, and those in a project are for its designers where they do not say otherwise.</summary>
    public static void OfPage(PageApplicationModel page)
    {
        page.EndpointMetadata.Add(new HttpMethodMetadata([HttpMethods.Get, HttpMethods.Head]));
        if (page.RouteTemplate?.Contains("{project:int}", StringComparison.Ordinal) != true)
        {
            return;
        }
        page.EndpointMetadata.Add(new ProjectScope());
        if (!page.HandlerTypeAttributes.Any(a => a is IAuthorizeData or IAllowAnonymous))
        {
            page.EndpointMetadata.Add(new AuthorizeAttribute(nameof(Need.Designer)));
        }
    }
}
