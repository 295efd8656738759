document.body.append('x');
