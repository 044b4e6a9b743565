using Microsoft.AspNetCore.Http.HttpResults;

namespace Kalypto.Web.Doors;

/// <summary>Answers that something cannot be, as problem details (RFC 9457): what is wrong and what to do is in <c>detail</c>.</summary>
internal static class Problem
{
    public static IResult NotFound(string detail = "What this is about is not there any more. Load the page again.") => Of(StatusCodes.Status404NotFound, detail);

    public static IResult BadRequest(string detail = "What was sent is not understood. Load the page again.") => Of(StatusCodes.Status400BadRequest, detail);

    public static IResult Conflict(string detail) => Of(StatusCodes.Status409Conflict, detail);

    /// <summary>Any problem.</summary>
    /// <param name="status">The status of the answer.</param>
    /// <param name="detail">What is wrong and what to do, as sentences.</param>
    /// <param name="more">What else a page needs to know.</param>
    public static ProblemHttpResult Of(int status, string detail, params (string Name, object? Value)[] more) =>
        TypedResults.Problem(detail, statusCode: status, extensions: more.Select(m => KeyValuePair.Create(m.Name, m.Value)));
}
