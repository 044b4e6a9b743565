using Kalypto.Store;

namespace Kalypto.Web.Doors;

/// <summary>The one door out: what became of a step, as an answer. The step itself, its history and its notice are the store's.</summary>
internal static class DoorOut
{
    /// <summary>Why a step was not done; null when it was, or when there was nothing to do.</summary>
    public static IResult? Refusal(this StepDone done) => done.State switch
    {
        StepState.Archived => Problem.Conflict("This project is archived, so nothing in it changes. Bring it back on the page of all projects first."),
        StepState.Gone => Problem.NotFound("What this is about is not there any more. Load the page again."),
        StepState.Blocked => Problem.Of(StatusCodes.Status409Conflict,
            $"{(done.Who.Length > 0 ? done.Who : "Somebody")} changed the same later: “{done.Label}”. Take that back first, in the history.", ("history", true)),
        StepState.Forbidden => Problem.Of(StatusCodes.Status403Forbidden, DoorRefusal.TooLittle.Advice),
        _ => null,
    };

    /// <summary>The refusal, or what is answered when there is none.</summary>
    public static async Task<IResult> OrAsync(this StepDone done, Func<Task<IResult>> answer) => done.Refusal() ?? await answer();

    /// <summary>The refusal, or that all is well.</summary>
    public static IResult OrOk(this StepDone done) => done.Refusal() ?? Results.Ok();
}
