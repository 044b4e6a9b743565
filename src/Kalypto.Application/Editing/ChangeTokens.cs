using Kalypto.Application.Opening;
using Kalypto.Core.Tokens;
using Kalypto.Store;

namespace Kalypto.Application.Editing;

/// <summary>Says what tokens are called, which are the same, and which are none.</summary>
public sealed class ChangeTokens(EditStore edits)
{
    /// <summary>Names a token; empty for the name that it has by itself.</summary>
    public Task<StepDone> NameAsync(Visit visit, string key, string name, CancellationToken cancel) => ChangeAsync(visit, name.Length == 0 ? "Token by its own name" : $"Token “{name}”", said => said.Name(key, name), cancel);

    /// <summary>Has one token stand for another.</summary>
    public Task<StepDone> MergeAsync(Visit visit, string key, string into, CancellationToken cancel) => ChangeAsync(visit, "Two tokens are one", said => said.Merge(key, into), cancel);

    /// <summary>Takes apart what was merged.</summary>
    public Task<StepDone> PartAsync(Visit visit, string key, CancellationToken cancel) => ChangeAsync(visit, "Tokens taken apart", said => said.Part(key), cancel);

    /// <summary>Says of a value that it is no token, or one again.</summary>
    public Task<StepDone> RefuseAsync(Visit visit, string key, bool isRefused, CancellationToken cancel) => ChangeAsync(visit, isRefused ? "A value is no token" : "A value is a token again", said => said.Refuse(key, isRefused), cancel);

    private Task<StepDone> ChangeAsync(Visit visit, string label, Func<TokensSaid, TokensSaid> change, CancellationToken cancel) =>
        edits.MakeAsync(visit.Author, new(label) { Fields = [FieldChange.Tokens(visit.Workspace.Row.Id, change)] }, cancel);
}
