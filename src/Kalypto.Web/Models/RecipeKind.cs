namespace Kalypto.Web.Models;

/// <summary>A kind on the recipes page.</summary>
/// <param name="Kind">The kind.</param>
/// <param name="IsOwn">True for a kind of the team's own.</param>
/// <param name="IsChanged">True when its recipe is not the one that comes with Kalypto.</param>
/// <param name="Layers">How many layers ship as it.</param>
/// <param name="Files">How many files they become.</param>
/// <param name="Weight">What these weigh.</param>
/// <param name="Budget">What they may weigh, as typed; empty for anything.</param>
/// <param name="Lines">What is made everywhere, and on each platform.</param>
public sealed record RecipeKind(string Kind, bool IsOwn, bool IsChanged, int Layers, int Files, string Weight, string Budget, IReadOnlyList<RecipeLine> Lines);
