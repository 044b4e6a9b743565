using Kalypto.Core.Naming;
using Microsoft.AspNetCore.Http.Features;

namespace Kalypto.Web.Endpoints;

/// <summary>A zip that is written into the answer while it is put together.</summary>
internal static class ZipAnswer
{
    private const int LongestName = 40;

    /// <summary>Begins it.</summary>
    /// <param name="response">The answer.</param>
    /// <param name="name">What it is of.</param>
    /// <param name="otherwise">What it is called when no letter of the name can stand in a file name.</param>
    /// <param name="suffix">What stands behind the name.</param>
    public static void Begin(HttpResponse response, string name, string otherwise, string suffix = "")
    {
        response.ContentType = "application/zip";
        response.Headers.ContentDisposition = $"attachment; filename=\"{(NameWords.Join(NameWords.Split(name), "-", LongestName) is { Length: > 0 } plain ? plain : otherwise)}{suffix}.zip\"";
        // The archive writes the few bytes behind each entry synchronously, whichever way it is used.
        response.HttpContext.Features.GetRequiredFeature<IHttpBodyControlFeature>().AllowSynchronousIO = true;
    }
}
