using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Routing;

namespace Kalypto.Web.Tests;

/// <summary>How routes are called in tests: the method and the pattern, without what its parts must look like.</summary>
internal static partial class RouteNames
{
    public static string NameOf(Endpoint endpoint) => $"{MethodOf(endpoint)} {Constraint().Replace((endpoint as RouteEndpoint)?.RoutePattern.RawText?.Trim('/') ?? "", "}")}";

    public static string MethodOf(Endpoint endpoint) => endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods is [var first, ..] ? first : "GET";

    public static bool IsPage(Endpoint endpoint) => endpoint.Metadata.GetMetadata<PageActionDescriptor>() is not null;

    [GeneratedRegex(@"(:[a-z]+)?\??\}")]
    private static partial Regex Constraint();
}
