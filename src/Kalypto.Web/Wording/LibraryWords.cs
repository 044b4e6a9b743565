using Kalypto.Application.Library;
using Kalypto.Store;

namespace Kalypto.Web.Wording;

/// <summary>What is said of the library.</summary>
public static class LibraryWords
{
    /// <summary>Why a layer was not brought in.</summary>
    public static string Say(TakeRefusal refusal) => refusal switch
    {
        TakeRefusal.NotThere => "This is not in the library any more.",
        TakeRefusal.Own => "It is of this very project.",
        TakeRefusal.ThereAlready => "This project has it already.",
        TakeRefusal.NotKept => "The drawing that it was delivered from is not kept any more. Deliver it again, then it can be taken.",
        TakeRefusal.NoChange => "Nothing in this project changes any more. Bring it back on the page of all projects first.",
        _ => "",
    };

    /// <summary>Where a design came from.</summary>
    public static string Say(LibraryStore.Link link) => $"from {link.Original.ProjectName}, delivery {link.Number}";
}
