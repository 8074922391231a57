console.log("x")
