namespace Kalypto.Web.Doors;

/// <summary>Why the door did not let somebody in.</summary>
internal sealed record DoorRefusal
{
    private DoorRefusal(string name, string heading, string advice) => (Name, Heading, Advice) = (name, heading, advice);

    /// <summary>Nobody knows who they are.</summary>
    public static DoorRefusal SignIn { get; } = new("sign in", "Sign in first", "You are not signed in any more. Load the page again and sign in; nothing that was saved is lost.");

    /// <summary>To them it is not there.</summary>
    public static DoorRefusal NotThere { get; } = new("not there", "There is nothing here", "This project is not there any more.");

    /// <summary>They may see the project, but not this of it.</summary>
    public static DoorRefusal TooLittle { get; } = new("too little", "This is not open to you", "What you may do in this project does not include this. Ask one of its owners.");

    /// <summary>They are in the project, and it asks for a second factor.</summary>
    public static DoorRefusal SecondFactor { get; } = new("second factor", "This project asks for a second factor", "Turn on a second factor on the page of your account. Then this project is open to you.");

    /// <summary>What it is called in tests.</summary>
    public string Name { get; }

    /// <summary>What it is, in few words.</summary>
    public string Heading { get; }

    /// <summary>What to do.</summary>
    public string Advice { get; }
}
