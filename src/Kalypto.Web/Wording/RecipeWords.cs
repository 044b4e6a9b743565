using Kalypto.Application.Editing;
using Kalypto.Core.Formats;
using Kalypto.Core.Tagging;

namespace Kalypto.Web.Wording;

/// <summary>Says why a wish about recipes cannot be met.</summary>
internal static class RecipeWords
{
    public static string Say(RecipeRefusal refusal) => refusal.Reason switch
    {
        RecipeRefusal.Why.NoSuchKind => $"There is no kind “{refusal.About}” any more. Load the page again.",
        RecipeRefusal.Why.NotTags or RecipeRefusal.Why.NotRecipes => refusal.About,
        RecipeRefusal.Why.OfLayersOnly => "A kind, a state and parts are said of layers, not in a recipe.",
        RecipeRefusal.Why.NoSuchPlatform => $"There is no platform “{refusal.About}”.",
        RecipeRefusal.Why.CreditLine => $"A credit line has at most {CreditLines.Longest} characters.",
        RecipeRefusal.Why.NoWeight => $"“{refusal.About}” is no weight. Write one such as 400kB or 2.5MB.",
        RecipeRefusal.Why.NoNamesForCode => refusal.About,
        RecipeRefusal.Why.NoSuffix => "The suffix holds {} where the scale stands, and else letters, digits, @, dot and dashes.",
        RecipeRefusal.Why.KindExists => $"There is a kind “{refusal.About}” already.",
        RecipeRefusal.Why.KindName => $"“{refusal.About}” cannot be a kind: 2 to {Kinds.Longest} small letters, digits and dashes, and no other word of the tag line.",
        RecipeRefusal.Why.KindIsUsed => $"{Words.Count(refusal.Layers, "layer")} {(refusal.Layers == 1 ? "is" : "are")} of the kind “{refusal.About}”. Give {(refusal.Layers == 1 ? "it" : "them")} another kind first.",
        RecipeRefusal.Why.NoSuchProject => "That project is not there any more.",
        RecipeRefusal.Why.NotThere => $"{refusal.From} knows no kind “{refusal.About}”.",
        RecipeRefusal.Why.KindWouldGo => $"These recipes know no kind “{refusal.About}”, which layers here are of. Give those another kind first.",
        _ => "That cannot be done with recipes. Load the page again.",
    };
}
